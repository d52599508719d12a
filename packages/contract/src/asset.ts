import { z } from 'zod';
import { text } from './text.js';

/** Pictures and fonts of a site that looks may use: uploaded, shipped with Retoque, or made from another picture. */
export const siteAssetSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  /** The path on the site that the CSS names, where the owner puts the file. */
  address: z.string(),
  hash: z.string(),
  contentType: z.string(),
  /** In bytes. */
  size: z.number().int(),
  origin: z.enum(['uploaded', 'shipped', 'made']),
  /** Pixels; of an SVG its own measures. */
  picture: z.object({ width: z.number().int(), height: z.number().int() }).nullable(),
  font: z
    .object({
      family: z.string(),
      style: z.enum(['normal', 'italic']),
      weight: z.object({ from: z.number(), to: z.number() }),
      axes: z.array(
        z.object({ tag: z.string(), name: z.string(), min: z.number(), max: z.number(), initial: z.number() }),
      ),
      /** The word of `format()` in a font's rule. */
      format: z.enum(['woff2', 'truetype', 'opentype']),
      licence: z.string().nullable(),
    })
    .nullable(),
  createdAt: z.iso.datetime(),
});
export type SiteAsset = z.infer<typeof siteAssetSchema>;
export const siteAssetListSchema = z.object({ assets: z.array(siteAssetSchema) });

/** What became of an upload, file by file: one that is refused keeps none of the others from being taken. */
export const uploadedAssetsSchema = z.object({
  added: z.array(siteAssetSchema),
  refused: z.array(z.object({ name: z.string(), problem: z.string() })),
});
export type UploadedAssets = z.infer<typeof uploadedAssetsSchema>;

/** An open font that comes with Retoque. */
export const shippedFontSchema = z.object({
  id: z.string(),
  family: z.string(),
  sort: z.string(),
  weight: z.object({ from: z.number(), to: z.number() }),
  licence: z.string(),
});
export type ShippedFont = z.infer<typeof shippedFontSchema>;
export const shippedFontListSchema = z.object({ fonts: z.array(shippedFontSchema) });
export const addShippedFontSchema = z.object({ id: text(80) });

const pixels = z.number().int().min(1, 'Give 1 pixel or more.').max(8000, 'Give 8000 pixels or less.');

/** Asks for a picture made from another; without `keep` only its weight is told. */
export const recodeSchema = z.object({
  source: z.string().regex(/^[0-9a-f]{64}$/, 'That is not a stored picture.'),
  name: text(120).trim().min(1, 'Give it a name.'),
  crop: z
    .object({ left: z.number().int().min(0), top: z.number().int().min(0), width: pixels, height: pixels })
    .optional(),
  /** The other side follows in proportion. */
  width: pixels.optional(),
  format: z.enum(['webp', 'avif', 'jpeg', 'png']),
  quality: z.number().int().min(10, 'Give 10 or more.').max(100, 'Give 100 or less.'),
  keep: z.boolean(),
});
export type Recode = z.infer<typeof recodeSchema>;

export const recodedSchema = z.object({
  /** Weights in bytes. */
  before: z.number().int(),
  after: z.number().int(),
  width: z.number().int(),
  height: z.number().int(),
  asset: siteAssetSchema.nullable(),
});
export type Recoded = z.infer<typeof recodedSchema>;
