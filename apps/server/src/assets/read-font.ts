import type { SiteAsset } from '@retoque/contract';
import { create, type Font } from 'fontkit';
import { storable } from '../database/storable.js';
import { ASSET_LIMITS, megabytes, RefusedFileError } from '../storage/asset-limits.js';
import { lookup } from '@retoque/core';

type FontFacts = NonNullable<SiteAsset['font']>;

export interface ReadFont {
  readonly contentType: string;
  readonly font: FontFacts;
}

/** The first four bytes of a file say which sort of font it is (OpenType 1.9, "Table directory"; WOFF 2.0, section 4). */
const SORTS: Readonly<Record<string, { readonly format: FontFacts['format']; readonly contentType: string }>> = lookup({
  wOF2: { format: 'woff2', contentType: 'font/woff2' },
  OTTO: { format: 'opentype', contentType: 'font/otf' },
  '\0\x01\0\0': { format: 'truetype', contentType: 'font/ttf' },
  true: { format: 'truetype', contentType: 'font/ttf' },
});

interface Os2Table {
  readonly usWeightClass?: number;
  readonly fsSelection?: { readonly italic?: boolean };
}

const NOT_A_FONT = 'This is not a font that browsers load. Take a WOFF2, TTF or OTF file.';

/**
 * Reads a font with a parser, as far as its names, weight and axes, and one of its glyphs.
 *
 * @throws RefusedFileError for what is no font, is broken or too large
 */
export function readFont(bytes: Buffer): ReadFont {
  const sort = SORTS[bytes.subarray(0, 4).toString('latin1')];
  if (!sort) throw new RefusedFileError(NOT_A_FONT);
  if (bytes.length > ASSET_LIMITS.fontBytes) {
    throw new RefusedFileError(
      `This font has ${megabytes(bytes.length)}; ${megabytes(ASSET_LIMITS.fontBytes)} is the most. Take one with fewer scripts.`,
    );
  }
  let font: Font;
  try {
    const read = create(bytes);
    if (!('glyphForCodePoint' in read)) throw new RefusedFileError(NOT_A_FONT);
    font = read;
    // Tables are read when something asks for them, so a broken outline shows only now.
    void font.glyphForCodePoint(0x61).path.commands.length;
  } catch (error) {
    if (error instanceof RefusedFileError) throw error;
    throw new RefusedFileError('This font is broken: its tables cannot be read. Save or download it again.');
  }
  const os2 = (font as unknown as { 'OS/2'?: Os2Table })['OS/2'];
  const family = font.getName('preferredFamily', 'en') ?? font.familyName;
  if (!family) throw new RefusedFileError('This font has no family name, so CSS cannot name it.');
  const axes = Object.entries(font.variationAxes ?? {}).flatMap(([tag, axis]) =>
    axis
      ? [{ tag: storable(tag), name: storable(axis.name), min: axis.min, max: axis.max, initial: axis.default }]
      : [],
  );
  const range = axes.find(({ tag }) => tag === 'wght');
  const own = os2?.usWeightClass ?? 400;
  const isItalic = os2?.fsSelection?.italic === true || (font.italicAngle ?? 0) !== 0;
  return {
    contentType: sort.contentType,
    font: {
      family: storable(family),
      style: isItalic ? 'italic' : 'normal',
      weight: range ? { from: range.min, to: range.max } : { from: own, to: own },
      axes,
      format: sort.format,
      licence: storable(font.getName('license', 'en') ?? '') || null,
    },
  };
}
