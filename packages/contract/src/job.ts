import { z } from 'zod';
import { looksShownSchema, pageCheckSchema } from './geometry.js';

/** Asks for all checks of a site, page by page, while nobody waits for an answer. */
export const startSiteChecksSchema = z.object({
  /** Of the viewport, in CSS pixels. */
  width: z.number().int().min(200).max(8000).default(1280),
  height: z.number().int().min(200).max(8000).default(800),
  level: z.enum(['AA', 'AAA']).default('AA'),
  looks: looksShownSchema.default('worn'),
});
export type StartSiteChecks = z.infer<typeof startSiteChecksSchema>;

/** Long work: what it is of, and how far it has come. */
export const jobSchema = z.object({
  id: z.uuid(),
  siteId: z.uuid(),
  kind: z.enum(['site-checks']),
  state: z.enum(['waiting', 'running', 'done', 'failed', 'cancelled']),
  /** Steps done, of how many. */
  done: z.number().int(),
  of: z.number().int(),
  /** Why it failed; null for what did not. */
  problem: z.string().nullable(),
  createdAt: z.iso.datetime(),
});
export type Job = z.infer<typeof jobSchema>;
export const jobListSchema = z.object({ jobs: z.array(jobSchema) });

/** What one step of site checks came to: the checks of a page, or why there are none. */
export const pageChecksResultSchema = z.object({
  page: z.object({ id: z.uuid(), name: z.string() }),
  checks: z.array(pageCheckSchema),
  problem: z.string().nullable(),
});
export type PageChecksResult = z.infer<typeof pageChecksResultSchema>;

/** Results of some steps, in their order. */
export const jobResultsSchema = z.object({
  results: z.array(z.object({ step: z.number().int(), result: pageChecksResultSchema })),
  /** The step to ask from next; null where the last one is among these. */
  next: z.number().int().nullable(),
});
export type JobResults = z.infer<typeof jobResultsSchema>;
