import { parseColour, SWATCH_ID, SWATCHES_AS } from '@retoque/core';
import { z } from 'zod';
import { text } from './text.js';

/** More are no palette that anybody oversees, and every look of the site is read with them. */
export const MOST_SWATCHES = 500;

export const swatchSchema = z.object({
  id: text(60).regex(SWATCH_ID, 'An id holds small letters, digits and hyphens, a letter first.'),
  name: text(60, 'Keep the name of a colour under 60 characters.').trim().min(1, 'Give the colour a name.'),
  css: text(200)
    .trim()
    .refine((css) => parseColour(css) !== undefined, 'That is not a colour of CSS.'),
});
export type SwatchData = z.infer<typeof swatchSchema>;

/** The colours of a site, and how they are written where looks are handed over. */
export const sitePaletteSchema = z.object({
  swatches: z
    .array(swatchSchema)
    .max(MOST_SWATCHES, `A palette holds at most ${MOST_SWATCHES} colours. Leave out what the site does not use.`)
    .refine((list) => new Set(list.map(({ id }) => id)).size === list.length, 'Two colours have the same id.'),
  handedOverAs: z.enum(SWATCHES_AS),
});
export type SitePaletteData = z.infer<typeof sitePaletteSchema>;

export const paletteSchema = sitePaletteSchema.extend({ revision: z.number().int() });
export type Palette = z.infer<typeof paletteSchema>;

/** A palette with the revision that it was changed on. */
export const savePaletteSchema = sitePaletteSchema.extend({ baseRevision: z.number().int().min(0) });
export type SavePalette = z.infer<typeof savePaletteSchema>;
