import type { Recode } from '@retoque/contract';
import sharp from 'sharp';
import { ASSET_LIMITS, RefusedFileError } from '../storage/asset-limits.js';

export type Recoding = Omit<Recode, 'source' | 'name' | 'keep'>;

export interface MadePicture {
  readonly bytes: Buffer;
  readonly contentType: string;
  readonly width: number;
  readonly height: number;
}

/**
 * Makes a picture from another: cropped, made smaller, written in another format.
 *
 * @throws RefusedFileError when the crop lies outside the picture, or it cannot be decoded
 */
export async function recodePicture(bytes: Buffer, wanted: Recoding): Promise<MadePicture> {
  // As it is shown, so that a crop is where it was drawn.
  let picture = sharp(bytes, { limitInputPixels: ASSET_LIMITS.pixels, failOn: 'error' }).autoOrient();
  if (wanted.crop) picture = picture.extract(wanted.crop);
  if (wanted.width) picture = picture.resize({ width: wanted.width, withoutEnlargement: true });
  const { quality } = wanted;
  const written = {
    webp: () => picture.webp({ quality }),
    avif: () => picture.avif({ quality, effort: 3 }),
    jpeg: () => picture.flatten({ background: '#ffffff' }).jpeg({ quality, mozjpeg: true }),
    png: () => picture.png({ quality, palette: quality < 100 }),
  }[wanted.format]();
  try {
    const { data, info } = await written.toBuffer({ resolveWithObject: true });
    return { bytes: data, contentType: `image/${wanted.format}`, width: info.width, height: info.height };
  } catch (error) {
    const isCrop = /extract/i.test(error instanceof Error ? error.message : '');
    throw new RefusedFileError(
      isCrop
        ? 'The crop reaches beyond the picture. Draw it inside.'
        : 'This picture cannot be decoded. Save it again, and upload that.',
    );
  }
}
