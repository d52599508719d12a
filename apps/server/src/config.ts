import { z } from 'zod';

const configSchema = z.object({
  databaseUrl: z.string().min(1, 'DATABASE_URL is not set'),
  port: z.coerce.number().int().min(0).max(65535),
  /** Folder of the built web application; without it only the API is served. */
  webFolder: z.string().optional(),
  /** Origin of the practice host, the one local address that pages may be brought from. */
  practiceOrigin: z.string().optional(),
  /** Origins beside loopback under which the application is reached, behind a proxy for instance. */
  origins: z.array(
    z.url({ protocol: /^https?$/, error: 'RETOQUE_ORIGIN holds origins such as https://retoque.example' }),
  ),
  /** How many bytes of pages, pictures and fonts one owner may have stored. */
  storageBytes: z.coerce.number().int().min(1),
  /** After how many milliseconds of silence a job is taken from whoever was at it. */
  jobStaleMillis: z.coerce.number().int().min(100),
  seedDemo: z.boolean(),
  logLevel: z.string(),
});
export type Config = z.infer<typeof configSchema>;

/** @throws Error with one clear line when a setting is missing or wrong */
export function readConfig(environment = process.env): Config {
  const result = configSchema.safeParse({
    databaseUrl: environment.DATABASE_URL ?? '',
    port: environment.RETOQUE_PORT ?? '4310',
    webFolder: environment.RETOQUE_WEB_FOLDER,
    practiceOrigin: environment.RETOQUE_PRACTICE_ORIGIN,
    origins: (environment.RETOQUE_ORIGIN ?? '')
      .split(',')
      .map((origin) => origin.trim())
      .filter(Boolean),
    storageBytes: Number(environment.RETOQUE_STORAGE_MB ?? '2048') * 1024 * 1024,
    jobStaleMillis: environment.RETOQUE_JOB_STALE_MS ?? '8000',
    seedDemo: environment.RETOQUE_SEED === 'demo',
    logLevel: environment.RETOQUE_LOG ?? 'warn',
  });
  if (!result.success) throw new Error(result.error.issues.map((issue) => issue.message).join('; '));
  return result.data;
}
