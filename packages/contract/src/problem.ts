import { z } from 'zod';

/** RFC 9457 problem details; `type` names the sort of problem and stays the same over time. */
export const problemSchema = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  detail: z.string().optional(),
  instance: z.string().optional(),
  errors: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
});
export type Problem = z.infer<typeof problemSchema>;

export const PROBLEM = {
  invalid: 'urn:retoque:problem:invalid-input',
  notFound: 'urn:retoque:problem:not-found',
  conflict: 'urn:retoque:problem:newer-revision',
  tooLarge: 'urn:retoque:problem:too-large',
  notHtml: 'urn:retoque:problem:not-html',
  builtByScript: 'urn:retoque:problem:built-by-script',
  addressRefused: 'urn:retoque:problem:address-refused',
  unreachable: 'urn:retoque:problem:unreachable',
  tooSlow: 'urn:retoque:problem:too-slow',
  forbidden: 'urn:retoque:problem:not-our-own-page',
  misdirected: 'urn:retoque:problem:not-our-host',
  busy: 'urn:retoque:problem:busy',
  unavailable: 'urn:retoque:problem:unavailable',
  storageFull: 'urn:retoque:problem:storage-full',
  internal: 'urn:retoque:problem:internal',
} as const;
