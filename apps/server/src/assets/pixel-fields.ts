import { Injectable } from '@nestjs/common';
import { eq, inArray } from 'drizzle-orm';
import type { OwnerScope } from '../database/owner-scope.js';
import { pixelFields } from '../database/schema.js';
import { PicturesService } from '../pictures/pictures.service.js';
import { getBlob } from './blob-store.js';

/** Decoded pixels compressed with gzip; or why there are none: the file is no picture, or drawing it costs too much. */
export type StoredField = { readonly bytes: Buffer } | { readonly none: 'broken' | 'costly' };

/** For how long bringing a page waits for its pictures; the rest is decoded when something asks for it. */
const WAIT_MILLIS = 10_000;

/** The decoded pictures of an owner, kept by the hash of their file. */
@Injectable()
export class PixelFields {
  /** What is being decoded, so that whoever asks meanwhile waits for the same. */
  private readonly running = new Map<string, Promise<StoredField | undefined>>();

  constructor(private readonly pictures: PicturesService) {}

  /**
   * The field of a stored picture, decoded the first time and kept.
   *
   * @returns undefined when there is no such file
   */
  get(scope: OwnerScope, hash: string): Promise<StoredField | undefined> {
    const key = `${scope.ownerId} ${hash}`;
    let work = this.running.get(key);
    if (!work) {
      work = this.find(scope, hash).finally(() => this.running.delete(key));
      this.running.set(key, work);
    }
    return work;
  }

  private async find(scope: OwnerScope, hash: string): Promise<StoredField | undefined> {
    const kept = await scope.first(pixelFields, eq(pixelFields.hash, hash));
    if (kept) return kept.bytes ? { bytes: kept.bytes } : { none: kept.costly ? 'costly' : 'broken' };
    const blob = await getBlob(scope, hash);
    if (!blob) return undefined;
    const decoded = blob.contentType.startsWith('image/') ? await this.pictures.decode(blob.bytes) : null;
    const bytes = decoded && 'field' in decoded ? Buffer.from(decoded.field) : null;
    const costly = decoded && 'costly' in decoded ? decoded.costly : null;
    await scope.insertMissing(pixelFields, [{ hash, bytes, costly }]);
    return bytes ? { bytes } : { none: costly === null ? 'broken' : 'costly' };
  }

  /** Decodes what a page has just brought, as far as that goes quickly, so that measuring need not wait for it. */
  async prepare(
    scope: OwnerScope,
    files: readonly { readonly hash: string; readonly contentType: string }[],
  ): Promise<void> {
    const hashes = [...new Set(files.filter((file) => file.contentType.startsWith('image/')).map((file) => file.hash))];
    if (!hashes.length) return;
    const known = new Set((await scope.select(pixelFields, inArray(pixelFields.hash, hashes))).map(({ hash }) => hash));
    const until = Date.now() + WAIT_MILLIS;
    for (const hash of hashes) {
      if (known.has(hash)) continue;
      const left = until - Date.now();
      if (left <= 0) return;
      let timer: NodeJS.Timeout | undefined;
      const enough = new Promise((resolve) => (timer = setTimeout(resolve, left)));
      // What fails here fails again for whoever asks for it, and is told then.
      await Promise.race([this.get(scope, hash).catch(() => undefined), enough]);
      clearTimeout(timer);
    }
  }
}
