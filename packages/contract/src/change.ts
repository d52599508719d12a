import { z } from 'zod';
import { locatorSchema } from './look.js';
import { text } from './text.js';

const markup = text(100_000, 'That is more than 100 kB of HTML.').min(1, 'There is no HTML.');

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
  /** Why it could not be put into the page, where that is another reason. */
  problem: z.string().nullable(),
  createdAt: z.iso.datetime(),
});
export type PageChangeRecord = z.infer<typeof pageChangeSchema>;

export const addChangeSchema = z.object({
  kind: text(60).nullable(),
  name: text(200).trim().min(1, 'Give it a name.'),
  locator: locatorSchema,
  place: pageChangeSchema.shape.place,
  html: markup,
  css: text(50_000, 'That is more than 50 kB of CSS.'),
  before: text(200_000).nullable(),
});
export type AddChange = z.infer<typeof addChangeSchema>;
