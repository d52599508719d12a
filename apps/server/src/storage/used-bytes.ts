import { sql } from 'drizzle-orm';
import { readConfig } from '../config.js';
import type { OwnerScope } from '../database/owner-scope.js';
import { blobs, pixelFields } from '../database/schema.js';
import { problem } from '../http/problem.js';

/** Bytes that an owner's files take, with what was decoded of them. */
export const usedBytes = async (scope: OwnerScope): Promise<number> =>
  (await scope.sum(blobs, sql`${blobs.size}`)) +
  (await scope.sum(pixelFields, sql`octet_length(${pixelFields.bytes})`));

const mega = (bytes: number) => `${Math.round(bytes / 1024 / 1024)} MB`;

/** @throws ProblemException 507 when so many bytes more would be past what an owner may store */
export async function requireRoom(scope: OwnerScope, bytes: number): Promise<void> {
  const limit = readConfig().storageBytes;
  const used = await usedBytes(scope);
  if (used + bytes <= limit) return;
  throw problem(
    'storageFull',
    507,
    'There is no room left for that',
    `You have stored ${mega(used)} of ${mega(limit)}, and this takes ${mega(bytes)}. Remove sites or pages, and free their room on the screen of your sites.`,
  );
}
