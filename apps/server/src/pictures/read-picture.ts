import sharp from 'sharp';
import { ASSET_LIMITS, megapixels, RefusedFileError } from '../storage/asset-limits.js';
import { lookup } from '@retoque/core';

const TYPES: Readonly<Record<string, string>> = lookup({
  png: 'image/png',
  jpeg: 'image/jpeg',
  webp: 'image/webp',
  gif: 'image/gif',
  heif: 'image/avif',
  svg: 'image/svg+xml',
});

export interface ReadPicture {
  readonly contentType: string;
  readonly width: number;
  readonly height: number;
}

/**
 * Reads what a picture is from its bytes, whatever its name says, and decodes it once, so that a broken one is told now.
 *
 * @throws RefusedFileError for what is no picture of the web, is broken, or has too many pixels
 */
export async function readPicture(bytes: Buffer): Promise<ReadPicture> {
  const found = await sharp(bytes, { limitInputPixels: false })
    .metadata()
    .catch(() => undefined);
  const contentType = found?.format === 'heif' && found.compression !== 'av1' ? undefined : TYPES[found?.format ?? ''];
  if (!found?.width || !found.height || !contentType) {
    throw new RefusedFileError(
      'This is not a picture that browsers show. Take a PNG, JPEG, WebP, AVIF, GIF or SVG file.',
    );
  }
  const { width, height } = found;
  // A drawing has no pixels of its own.
  if (found.format !== 'svg' && width * height > ASSET_LIMITS.pixels) {
    throw new RefusedFileError(
      `This picture has ${megapixels(width * height)} (${width} × ${height}); ${megapixels(ASSET_LIMITS.pixels)} is the most. Make it smaller first: a page needs far less.`,
    );
  }
  await sharp(bytes, { limitInputPixels: ASSET_LIMITS.pixels, failOn: 'error' })
    .resize(1, 1)
    .toBuffer()
    .catch(() => {
      throw new RefusedFileError(
        'This picture is broken: it ends early or cannot be decoded. Save it again, and upload that.',
      );
    });
  // What a camera notes about its position turns the picture as it is shown.
  const turned = (found.orientation ?? 1) >= 5;
  return { contentType, width: turned ? height : width, height: turned ? width : height };
}
