/** The last name of a path. */
export const fileNameOf = (path: string): string => path.slice(path.lastIndexOf('/') + 1);

export interface UploadedFile {
  /** Its place in the chosen folder, or its bare name. */
  readonly path: string;
  readonly contentType: string | undefined;
  readonly bytes: Buffer;
}
