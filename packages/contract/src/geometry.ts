import { LOOKS_SHOWN } from '@retoque/core';
import { z } from 'zod';
import { text } from './text.js';

const box = z.tuple([z.number(), z.number(), z.number(), z.number()]);

/** Where things stand on a page at one viewport; boxes are left, top, width and height in CSS pixels. */
export const geometrySchema = z.object({
  viewport: z.object({ width: z.number().int().min(1).max(10_000), height: z.number().int().min(1).max(10_000) }),
  /** What was opened on the page when it was measured; as it is when absent. */
  opened: text(20_000).optional(),
  elements: z
    .record(
      text(2000),
      z.object({ box, lines: z.array(box).optional(), before: box.optional(), after: box.optional() }),
    )
    .refine((elements) => Object.keys(elements).length <= 50_000, 'A page has 50,000 elements at most.'),
});
export type PageGeometry = z.infer<typeof geometrySchema>;

/** Measurements of one edition of a page; those of the same viewport and opening are replaced. */
export const putGeometrySchema = z.object({
  edition: text(4000).min(1),
  measurements: z.array(geometrySchema).min(1, 'Send a measurement.').max(100),
});
export const geometryListSchema = z.array(geometrySchema);

/** A check of a page, as reports and the command give it. */
export const pageCheckSchema = z.object({
  select: z.string(),
  text: z.string(),
  part: z.string(),
  state: z.string(),
  criterion: z.string(),
  demand: z.string().nullable(),
  verdict: z.enum(['passes', 'short', 'exempt', 'unsure', 'unseen']),
  measured: z.number().nullable(),
  needed: z.number(),
  unit: z.string(),
  foreground: z.string().nullable(),
  background: z.string().nullable(),
  reason: z.string().nullable(),
  basis: z.enum(['ancestors', 'geometry']),
  share: z.number().nullable(),
  worst: z.tuple([z.number(), z.number()]).nullable(),
});
export type PageCheck = z.infer<typeof pageCheckSchema>;
/** Which page is reported on: the one with the looks that are worn, or the one that was brought. */
export const looksShownSchema = z.enum(LOOKS_SHOWN);
export const pageLedgerSchema = z.object({
  looks: looksShownSchema,
  viewport: z.object({ width: z.number().int(), height: z.number().int() }),
  checks: z.array(pageCheckSchema),
});

const waySchema = z.object({
  kind: z.string(),
  /** What is done, in words. */
  words: z.string(),
  /** The CSS that does it, to stand after the site's sheets. */
  css: z.string(),
  /** The figure with it, in the unit of the check. */
  measured: z.number().nullable(),
  /** How many other checks it makes fall short, and how many it mends. */
  breaks: z.number().int(),
  mends: z.number().int(),
});
const dueSchema = z.object({
  part: z.string(),
  state: z.string(),
  viewport: z.string(),
  criterion: z.string(),
  demand: z.string(),
  measured: z.number().nullable(),
  needed: z.number(),
  unit: z.string(),
});

/** Ways out of what falls short in one component, as reports and the command give it. */
export const componentWaysSchema = z.object({
  kind: z.string(),
  name: z.string(),
  select: z.string(),
  together: z.object({
    css: z.string(),
    mended: z.array(dueSchema),
    unmet: z.array(dueSchema.extend({ why: z.string() })),
  }),
  checks: z.array(dueSchema.extend({ ways: z.array(waySchema) })),
});
export type ComponentWaysRecord = z.infer<typeof componentWaysSchema>;
export const pageWaysSchema = z.object({
  looks: looksShownSchema,
  viewport: z.object({ width: z.number().int(), height: z.number().int() }),
  components: z.array(componentWaysSchema),
});
