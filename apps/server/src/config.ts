import { z } from 'zod';

const configSchema = z.object({
  databaseUrl: z.string().min(1, 'DATABASE_URL is not set'),
  port: z.coerce.number().int().min(0).max(65535),
  /** Folder of the built web application; without it only the API is served. */
  webFolder: z.string().optional(),
  /** Origin of the practice host, the one local address that pages may be brought from. */
  practiceOrigin: z.string().optional(),
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
    seedDemo: environment.RETOQUE_SEED === 'demo',
    logLevel: environment.RETOQUE_LOG ?? 'warn',
  });
  if (!result.success) throw new Error(result.error.issues.map((issue) => issue.message).join('; '));
  return result.data;
}
