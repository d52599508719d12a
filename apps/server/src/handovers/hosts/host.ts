/** A file that goes to a host. */
export interface HostFile {
  /** Seen from the folder that the site is in; never leads out of it. */
  readonly path: string;
  readonly bytes: Uint8Array;
}

/** What is carried to a host: the site's sheets, the files that they name, and what is to be done by hand. */
export interface Cargo {
  readonly siteName: string;
  readonly files: readonly HostFile[];
}

/** What the owner gets back from a host: a file to keep. */
export interface Delivery {
  readonly name: string;
  readonly contentType: string;
  readonly bytes: Uint8Array;
}

/** Where a site lives. Adding one is one file of this shape, named in `index.ts`. */
export interface Host {
  readonly name: string;
  deliver(cargo: Cargo): Promise<Delivery>;
}
