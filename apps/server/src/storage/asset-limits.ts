/** Bounds of what is uploaded to a site; past a bound the answer names it. */
export const ASSET_LIMITS = {
  files: 30,
  fileBytes: 25 * 1024 * 1024,
  /** Of all files that are uploaded together. */
  requestBytes: 100 * 1024 * 1024,
  fontBytes: 5 * 1024 * 1024,
  /** Of a picture, width by height. */
  pixels: 60_000_000,
} as const;

const MEGA = 1_000_000;
export const megapixels = (pixels: number): string => `${Math.round((pixels / MEGA) * 10) / 10} megapixels`;
export const megabytes = (bytes: number): string => `${Math.round((bytes / 1024 / 1024) * 10) / 10} MB`;

/** A file that cannot be taken, with the words for the person. */
export class RefusedFileError extends Error {
  override readonly name = 'RefusedFileError';
}
