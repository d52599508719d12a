import { Injectable } from '@nestjs/common';
import type { Storage } from '@retoque/contract';
import { and, eq, inArray, isNotNull, isNull, notInArray, sql } from 'drizzle-orm';
import { readConfig } from '../config.js';
import type { OwnerScope } from '../database/owner-scope.js';
import { blobs, components, pages, pageVersions, siteAssets, sites } from '../database/schema.js';
import { usedBytes } from './used-bytes.js';

/** What an owner has stored, and how room is made. */
@Injectable()
export class StorageService {
  async describe(scope: OwnerScope): Promise<Storage> {
    const used = await usedBytes(scope);
    const removed =
      (await scope.select(sites, isNotNull(sites.deletedAt))).length +
      (await scope.select(pages, and(isNotNull(pages.deletedAt), await this.siteIsThere(scope)))).length;
    return { used, limit: readConfig().storageBytes, removed };
  }

  /**
   * Deletes for good what was removed, and the files that nothing else has. Components that were first seen on a removed
   * page stay with their site: they go on from another of its pages.
   */
  async purge(scope: OwnerScope): Promise<Storage> {
    await scope.transaction(async (inner) => {
      await inner.delete(sites, isNotNull(sites.deletedAt));
      for (const page of await inner.select(pages, isNotNull(pages.deletedAt))) {
        const other = await inner.first(pages, and(eq(pages.siteId, page.siteId), isNull(pages.deletedAt)));
        if (other) await inner.update(components, { pageId: other.id }, eq(components.pageId, page.id));
        const isNeeded = !other && (await inner.first(components, eq(components.pageId, page.id)));
        if (!isNeeded) await inner.delete(pages, eq(pages.id, page.id));
      }
      const used = await this.hashesInUse(inner);
      await inner.delete(blobs, used.length ? notInArray(blobs.hash, used) : sql`true`);
    });
    return this.describe(scope);
  }

  private async siteIsThere(scope: OwnerScope) {
    const live = await scope.select(sites, isNull(sites.deletedAt));
    return inArray(
      pages.siteId,
      live.map(({ id }) => id),
    );
  }

  private async hashesInUse(scope: OwnerScope): Promise<string[]> {
    const versions = await scope.select(pageVersions);
    const files = await scope.select(siteAssets);
    return [
      ...new Set([
        ...versions.flatMap(({ htmlHash, sheets, assets }) => [htmlHash, ...[...sheets, ...assets].map((f) => f.hash)]),
        ...files.map(({ hash }) => hash),
      ]),
    ];
  }
}
