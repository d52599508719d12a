/** A decoded picture: gamma-encoded sRGB, four bytes a pixel (red, green, blue, alpha, not premultiplied), row by row. */
export interface PixelField {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray;
  /** What the picture measures on a page, in CSS pixels, where that is not its pixels: a drawing, or one made smaller. */
  readonly natural: { readonly width: number; readonly height: number };
  /** True when no pixel lets anything through. */
  readonly opaque: boolean;
}

export class BadFieldError extends Error {
  override readonly name = 'BadFieldError';
}

const MAGIC = 0x52515046;
const HEADER = 24;

const isOpaque = (data: Uint8ClampedArray): boolean => {
  for (let i = 3; i < data.length; i += 4) if (data[i] !== 255) return false;
  return true;
};

export function fieldOf(
  width: number,
  height: number,
  data: Uint8ClampedArray,
  natural = { width, height },
): PixelField {
  if (data.length !== width * height * 4) {
    throw new BadFieldError(
      `A field of ${width} by ${height} pixels has ${width * height * 4} bytes, not ${data.length}.`,
    );
  }
  return { width, height, data, natural, opaque: isOpaque(data) };
}

/** A field as bytes: a header of six big-endian words (mark, version, pixels, natural size in hundredths), then pixels. */
export function packField(field: PixelField): Uint8Array {
  const bytes = new Uint8Array(HEADER + field.data.length);
  const view = new DataView(bytes.buffer);
  const words = [MAGIC, 1, field.width, field.height, field.natural.width * 100, field.natural.height * 100];
  words.forEach((word, i) => view.setUint32(i * 4, Math.round(word)));
  bytes.set(field.data, HEADER);
  return bytes;
}

/** @throws BadFieldError for bytes that are no field */
export function unpackField(bytes: Uint8Array): PixelField {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < HEADER || view.getUint32(0) !== MAGIC || view.getUint32(4) !== 1) {
    throw new BadFieldError('These bytes are no pixel field.');
  }
  const [width, height] = [view.getUint32(8), view.getUint32(12)];
  const natural = { width: view.getUint32(16) / 100, height: view.getUint32(20) / 100 };
  const data = new Uint8ClampedArray(bytes.buffer, bytes.byteOffset + HEADER, bytes.length - HEADER);
  return fieldOf(width, height, data, natural);
}
