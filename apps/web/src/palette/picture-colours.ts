/** A file that holds no picture that the browser can show. */
export class PictureError extends Error {
  override readonly name = 'PictureError';
}

/** Longer side in pixels at which a picture is looked at; more tells no other colours. */
const LOOKED_AT = 160;
const COLOURS = 8;

/**
 * The main colours of a picture, as hex, those that fill most of it first.
 *
 * @throws PictureError where the file is no picture, or an empty one
 */
export async function pictureColours(file: Blob): Promise<string[]> {
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file);
  } catch {
    throw new PictureError('That file is no picture that can be read. Choose a PNG, JPEG, WebP, AVIF or GIF.');
  }
  const scale = Math.min(1, LOOKED_AT / Math.max(bitmap.width, bitmap.height));
  const [width, height] = [bitmap.width, bitmap.height].map((side) => Math.max(1, Math.round(side * scale)));
  const canvas = new OffscreenCanvas(width!, height!);
  const context = canvas.getContext('2d')!;
  context.drawImage(bitmap, 0, 0, width!, height!);
  bitmap.close();
  const { data } = context.getImageData(0, 0, width!, height!);
  const worker = new Worker(new URL('./quantise.worker.ts', import.meta.url), { type: 'module', name: 'quantise' });
  try {
    return await new Promise<string[]>((resolve, reject) => {
      worker.onmessage = ({ data: colours }: MessageEvent<string[]>) =>
        colours.length ? resolve(colours) : reject(new PictureError('Nothing of that picture is opaque.'));
      worker.onerror = () => reject(new PictureError('The colours of that picture could not be found.'));
      worker.postMessage({ pixels: data, colours: COLOURS }, [data.buffer]);
    });
  } finally {
    worker.terminate();
  }
}
