import { packField } from '@retoque/core';
import { decodePicture, UndecodableError } from '@retoque/decode';
import { eq, inArray } from 'drizzle-orm';
import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import type { OwnerScope } from '../database/owner-scope.js';
import { pixelFields } from '../database/schema.js';
import { getBlob } from './blob-store.js';

const compress = promisify(gzip);
/** Fields are mostly flat; more effort gains little. */
const EFFORT = { level: 3 };

async function decode(bytes: Buffer): Promise<Buffer | null> {
  try {
    return await compress(packField(await decodePicture(bytes)), EFFORT);
  } catch (error) {
    if (error instanceof UndecodableError) return null;
    throw error;
  }
}

/**
 * The decoded pixels of a stored picture, compressed with gzip; decoded the first time and kept.
 *
 * @returns null for a file that is no picture or is broken, undefined when there is no such file
 */
export async function fieldOfAsset(scope: OwnerScope, hash: string): Promise<Buffer | null | undefined> {
  const kept = await scope.first(pixelFields, eq(pixelFields.hash, hash));
  if (kept) return kept.bytes;
  const blob = await getBlob(scope, hash);
  if (!blob) return undefined;
  const bytes = blob.contentType.startsWith('image/') ? await decode(blob.bytes) : null;
  await scope.insertMissing(pixelFields, [{ hash, bytes }]);
  return bytes;
}

/** Decodes what a page has just brought, so that measuring need not wait for it. */
export async function decodeBrought(
  scope: OwnerScope,
  files: readonly { readonly hash: string; readonly contentType: string }[],
): Promise<void> {
  const hashes = [...new Set(files.filter((file) => file.contentType.startsWith('image/')).map((file) => file.hash))];
  if (!hashes.length) return;
  const known = new Set((await scope.select(pixelFields, inArray(pixelFields.hash, hashes))).map(({ hash }) => hash));
  for (const hash of hashes) if (!known.has(hash)) await fieldOfAsset(scope, hash);
}
