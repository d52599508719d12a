import { z } from 'zod';

/** Asks for a site's looks as files, carried to a host. */
export const handOverSchema = z.object({
  host: z.enum(['folder']).default('folder'),
  /** The components whose looks go along; all when absent. */
  components: z.array(z.uuid()).min(1, 'Choose a component.').max(2000).optional(),
});
export type HandOver = z.infer<typeof handOverSchema>;

/** Names of behaviours, apart by commas. */
export const scriptQuerySchema = z.object({
  names: z
    .string()
    .regex(/^[a-z]+(,[a-z]+)*$/, 'Name behaviours with commas between them.')
    .max(200),
});

/** The script of some behaviours, to be read and to be served. */
export const behaviourScriptSchema = z.object({ source: z.string(), minified: z.string() });
export type BehaviourScript = z.infer<typeof behaviourScriptSchema>;
