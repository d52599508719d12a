import { z } from 'zod';
import { lookSchema } from './look.js';
import { text } from './text.js';

const nameSchema = text(60, 'Keep the name of a finish under 60 characters.').trim().min(1, 'Give the finish a name.');

/** What several components can wear alike: nothing of single members or of one page, and no other finish. */
export const finishLookSchema = lookSchema.refine(
  ({ finish, exceptions, settings }) =>
    finish === undefined &&
    !exceptions.length &&
    settings.every(({ exception, when }) => exception === undefined && when.page === undefined),
  'A finish holds no values of single members or of one page, and follows no other.',
);

/** A look that is kept by name, for components of one kind to follow. */
export const finishSchema = z.object({
  id: z.uuid(),
  siteId: z.uuid(),
  kind: z.string(),
  name: z.string(),
  look: lookSchema,
  revision: z.number().int(),
  createdAt: z.iso.datetime(),
});
export type Finish = z.infer<typeof finishSchema>;

export const addFinishSchema = z.object({ kind: text(60).min(1), name: nameSchema, look: finishLookSchema });
export type AddFinish = z.infer<typeof addFinishSchema>;

/** A finish with the revision that it was changed on. */
export const saveFinishSchema = z.object({
  baseRevision: z.number().int().min(0),
  name: nameSchema,
  look: finishLookSchema,
});
export type SaveFinish = z.infer<typeof saveFinishSchema>;
