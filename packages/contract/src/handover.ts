import { z } from 'zod';

/** Asks for a site's looks as files, carried to a host. */
export const handOverSchema = z.object({
  host: z.enum(['folder']).default('folder'),
  /** The components whose looks go along; all when absent. */
  components: z.array(z.uuid()).min(1, 'Choose a component.').max(2000).optional(),
});
export type HandOver = z.infer<typeof handOverSchema>;
