import { describe, expect, it } from '@jest/globals';
import sharp from 'sharp';
import { decodePicture, FIELD_LIMIT, readData, UndecodableError } from './index.js';

const square = (format: 'png' | 'webp' | 'jpeg', width = 12, height = 8) =>
  sharp({ create: { width, height, channels: 3, background: { r: 40, g: 90, b: 200 } } })
    .toFormat(format, { quality: 100 })
    .toBuffer();

describe('decoding a picture', () => {
  it.each(['png', 'webp', 'jpeg'] as const)('gives the pixels of a %s', async (format) => {
    const field = await decodePicture(await square(format));
    expect(field).toMatchObject({ width: 12, height: 8, natural: { width: 12, height: 8 }, opaque: true });
    const [r, g, b] = field.data;
    expect(Math.hypot(r! - 40, g! - 90, b! - 200)).toBeLessThan(4);
  });

  it('draws a drawing larger than it is, and remembers its own size', async () => {
    const svg =
      '<svg xmlns="http://www.w3.org/2000/svg" width="200" height="100"><rect x="120" width="80" height="100" fill="#eee"/></svg>';
    const field = await decodePicture(Buffer.from(svg));
    expect(field.natural).toEqual({ width: 200, height: 100 });
    expect(field.width).toBeGreaterThan(1500);
    expect(field.opaque).toBe(false);
    const at = (x: number) => field.data[(10 * field.width + Math.round((x / 200) * field.width)) * 4 + 3];
    expect([at(60), at(160)]).toEqual([0, 255]);
  });

  it('turns a picture as its camera noted', async () => {
    const turned = await sharp(await square('jpeg'))
      .withMetadata({ orientation: 6 })
      .toBuffer();
    expect(await decodePicture(turned)).toMatchObject({ width: 8, height: 12, natural: { width: 8, height: 12 } });
  });

  it('makes what is larger than any page smaller', async () => {
    const field = await decodePicture(await square('png', 6000, 4000));
    expect(field.width * field.height).toBeLessThanOrEqual(FIELD_LIMIT);
    expect(field.natural).toEqual({ width: 6000, height: 4000 });
  });

  it.each([
    ['nothing', ''],
    ['words', 'no picture'],
    ['half a picture', undefined],
  ])('refuses %s', async (_, text) => {
    const whole = await square('png');
    const bytes = text === undefined ? whole.subarray(0, whole.length - 30) : Buffer.from(text);
    await expect(decodePicture(bytes)).rejects.toBeInstanceOf(UndecodableError);
  });
});

/** Source: RFC 2397, its examples, and the Fetch standard, section 6. */
describe('an address that holds its file', () => {
  const textOf = async (address: string) => {
    const file = await readData(address);
    return file && [file.contentType, Buffer.from(file.bytes).toString('latin1')];
  };

  it('is read as text and as base64, with the type that it gives', async () => {
    expect(await textOf('data:,A%20brief%20note')).toEqual(['text/plain;charset=US-ASCII', 'A brief note']);
    expect(await textOf('data:image/gif;base64,R0lGODlh')).toEqual(['image/gif', 'GIF89a']);
    expect(await textOf('data:image/svg+xml,%3Csvg/%3E#part')).toEqual(['image/svg+xml', '<svg/>']);
  });

  it('is none where it is another address or cannot be read', async () => {
    expect(await readData('https://page.invalid/a.png')).toBeUndefined();
    expect(await readData('data:image/png;base64')).toBeUndefined();
    expect(await readData('data:image/png;base64,@@@')).toBeUndefined();
  });
});
