import { fieldOf, type PixelField } from '@retoque/core';
import sharp from 'sharp';
import { drawingCost } from './drawing-cost.js';

/** Most pixels of a field; a larger picture is made smaller, since no page paints more of it at a time. */
export const FIELD_LIMIT = 16_000_000;
/** Most pixels that are decoded at all. */
const INPUT_LIMIT = 100_000_000;
/** A drawing is decoded as wide as this, so that it can be painted at the sizes of a page. */
const DRAWING_WIDTH = 1600;
/** Dots per inch at which the library gives a drawing a pixel for each of its own, which are CSS pixels. */
const OWN_DENSITY = 72;

export class UndecodableError extends Error {
  override readonly name = 'UndecodableError';
  constructor(
    message: string,
    /** What costs too much to draw; undefined for what is no picture or is broken. */
    readonly costly?: string,
  ) {
    super(message);
  }
}

/** Whether bytes begin as a text does that may be SVG, after marks and white space. */
const looksLikeDrawing = (bytes: Uint8Array): boolean => {
  const start = bytes.findIndex((byte) => byte > 0x20 && byte < 0x7f);
  return start >= 0 && start < 512 && bytes[start] === 0x3c;
};

/**
 * Decodes a picture of the web (PNG, JPEG, WebP, AVIF, GIF, SVG) to gamma-encoded sRGB, turned as its camera noted; of
 * a moving one the first frame.
 *
 * @throws UndecodableError for what is no picture, is broken, or has more than 100 megapixels; with `costly` for a
 *   drawing that asks for too much
 */
export async function decodePicture(bytes: Uint8Array): Promise<PixelField> {
  try {
    const cost = looksLikeDrawing(bytes) ? drawingCost(Buffer.from(bytes).toString('utf8')) : undefined;
    if (cost !== undefined) throw new UndecodableError(`The drawing costs too much: ${cost}.`, cost);
    const found = await sharp(bytes, { limitInputPixels: INPUT_LIMIT, density: OWN_DENSITY }).metadata();
    if (!found.width || !found.height) throw new UndecodableError('The picture has no size.');
    const isDrawing = found.format === 'svg';
    const turned = (found.orientation ?? 1) >= 5;
    const natural = turned
      ? { width: found.height, height: found.width }
      : { width: found.width, height: found.height };
    const scale = Math.min(1, Math.sqrt(FIELD_LIMIT / (natural.width * natural.height)));
    const density = isDrawing ? Math.min(2400, Math.max(1, (OWN_DENSITY * DRAWING_WIDTH) / natural.width)) : undefined;
    let picture = sharp(bytes, {
      limitInputPixels: INPUT_LIMIT,
      failOn: 'error',
      ...(density === undefined ? {} : { density }),
    })
      .rotate()
      .toColourspace('srgb')
      .ensureAlpha();
    if (scale < 1 && !isDrawing)
      picture = picture.resize(Math.floor(natural.width * scale), Math.floor(natural.height * scale));
    const { data, info } = await picture.raw({ depth: 'uchar' }).toBuffer({ resolveWithObject: true });
    return fieldOf(info.width, info.height, new Uint8ClampedArray(data), natural);
  } catch (error) {
    if (error instanceof UndecodableError) throw error;
    throw new UndecodableError(`The picture cannot be decoded: ${(error as Error).message.split('\n')[0]}.`);
  }
}
