import { z } from 'zod';
import { locatorSchema } from './look.js';

const markup = z.string().min(1, 'There is no HTML.').max(100_000, 'That is more than 100 kB of HTML.');

/** Markup that an owner adds to a page, or has in place of what is there; the page as it was brought stays as it is. */
export const pageChangeSchema = z.object({
  id: z.uuid(),
  pageId: z.uuid(),
  /** The kind that was made anew; absent where wording or order were changed. */
  kind: z.string().nullable(),
  name: z.string(),
  locator: locatorSchema,
  place: z.enum(['before', 'after', 'first', 'last', 'instead']),
  html: z.string(),
  css: z.string(),
  /** What stood there before, where something was replaced. */
  before: z.string().nullable(),
  /** False when its place is no longer on the page. */
  applied: z.boolean(),
  createdAt: z.iso.datetime(),
});
export type PageChangeRecord = z.infer<typeof pageChangeSchema>;

export const addChangeSchema = z.object({
  kind: z.string().max(60).nullable(),
  name: z.string().trim().min(1).max(200),
  locator: locatorSchema,
  place: pageChangeSchema.shape.place,
  html: markup,
  css: z.string().max(50_000),
  before: z.string().max(200_000).nullable(),
});
export type AddChange = z.infer<typeof addChangeSchema>;
