/** Bounds of one import; past a bound the answer names it. */
export const LIMITS = {
  /** Everything together: HTML, sheets, pictures, fonts. */
  totalBytes: 20 * 1024 * 1024,
  htmlBytes: 5 * 1024 * 1024,
  files: 250,
  /** Characters of an address that holds a picture itself; a longer one is shown, and not measured. */
  dataAddress: 300_000,
  redirects: 5,
  /** For one file to answer and arrive. */
  fileMillis: 10_000,
  /** For the whole page. */
  totalMillis: 40_000,
  importDepth: 5,
} as const;
