/** For so long the browser may take to begin with a file. */
const KEPT_MILLIS = 10_000;

/** Lets the browser save a file under a name. */
export function saveFile(blob: Blob, name: string): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), KEPT_MILLIS);
}
