export interface UploadedFile {
  /** Its place in the chosen folder, or its bare name. */
  readonly path: string;
  readonly contentType: string | undefined;
  readonly bytes: Buffer;
}
