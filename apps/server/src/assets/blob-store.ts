import { createHash } from 'node:crypto';
import { eq, inArray } from 'drizzle-orm';
import type { OwnerScope } from '../database/owner-scope.js';
import { blobs, type StoredFile } from '../database/schema.js';
import { requireRoom } from '../storage/used-bytes.js';

/** A file as it was brought, before it is stored. */
export interface BroughtFile {
  readonly address: string;
  readonly contentType: string;
  readonly bytes: Buffer;
}

export const hashOf = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');

export const toStored = (file: BroughtFile): StoredFile => ({
  address: file.address,
  hash: hashOf(file.bytes),
  contentType: file.contentType,
  size: file.bytes.length,
});

/**
 * Stores contents by their hash; what an owner has already is not stored again.
 *
 * @throws ProblemException 507 where an owner has no room left for them
 */
export async function putBlobs(scope: OwnerScope, files: readonly BroughtFile[]): Promise<StoredFile[]> {
  const stored = files.map(toStored);
  const rows = new Map(
    files.map((file, i) => {
      const { hash, contentType, size } = stored[i]!;
      return [hash, { hash, contentType, size, bytes: file.bytes }];
    }),
  );
  const known = new Set(
    (await scope.columns(blobs, { hash: blobs.hash }, inArray(blobs.hash, [...rows.keys()]))).map(({ hash }) => hash),
  );
  const missing = [...rows.values()].filter(({ hash }) => !known.has(hash));
  if (!missing.length) return stored;
  await requireRoom(
    scope,
    missing.reduce((sum, { size }) => sum + size, 0),
  );
  await scope.insertMissing(blobs, missing);
  return stored;
}

export async function getTexts(scope: OwnerScope, hashes: readonly string[]): Promise<Map<string, string>> {
  if (!hashes.length) return new Map();
  const rows = await scope.select(blobs, inArray(blobs.hash, [...new Set(hashes)]));
  return new Map(rows.map((row) => [row.hash, row.bytes.toString('utf8')]));
}

export const getBlob = (scope: OwnerScope, hash: string) => scope.first(blobs, eq(blobs.hash, hash));
