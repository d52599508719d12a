import { Injectable } from '@nestjs/common';
import { PROBLEM, type Palette, type SavePalette } from '@retoque/contract';
import { NO_PALETTE } from '@retoque/core';
import { eq, inArray } from 'drizzle-orm';
import type { OwnerScope } from '../database/owner-scope.js';
import { palettes } from '../database/schema.js';
import { ProblemException } from '../http/problem.js';
import { liveSite } from '../owners/live-site.js';

const EMPTY: Palette = { swatches: [], handedOverAs: NO_PALETTE.handedOverAs, revision: 0 };

/** The colours of sites, which their looks may name. */
@Injectable()
export class PalettesService {
  /** @throws ProblemException 404 where there is no such site */
  async get(scope: OwnerScope, siteId: string): Promise<Palette> {
    await liveSite(scope, siteId);
    return this.of(scope, siteId);
  }

  /** The same of a site that is known to be there. */
  async of(scope: OwnerScope, siteId: string): Promise<Palette> {
    return (await this.ofAll(scope, [siteId]))(siteId);
  }

  /** The palettes of sites that are known to be there, each by its site's id. */
  async ofAll(scope: OwnerScope, siteIds: readonly string[]): Promise<(siteId: string) => Palette> {
    const rows = siteIds.length ? await scope.select(palettes, inArray(palettes.siteId, [...siteIds])) : [];
    const bySite = new Map(
      rows.map(({ siteId, swatches, handedOverAs, revision }) => [siteId, { swatches, handedOverAs, revision }]),
    );
    return (siteId) => bySite.get(siteId) ?? EMPTY;
  }

  /** @throws ProblemException 409 with the newer palette when somebody saved in between */
  async save(scope: OwnerScope, siteId: string, { baseRevision, ...palette }: SavePalette): Promise<Palette> {
    return scope.transaction(async (inner) => {
      // One after the other, the first palette of a site too.
      await liveSite(inner, siteId, { forUpdate: true });
      const now = await this.of(inner, siteId);
      if (now.revision !== baseRevision) {
        throw new ProblemException(
          {
            type: PROBLEM.conflict,
            title: 'The palette was changed in the meantime',
            status: 409,
            detail: 'Look at the newer one, and make your change on it.',
          },
          { current: now },
        );
      }
      const next = { ...palette, revision: baseRevision + 1 };
      if (baseRevision === 0) await inner.insert(palettes, { siteId, ...next });
      else await inner.update(palettes, { ...next, updatedAt: new Date() }, eq(palettes.siteId, siteId));
      return next;
    });
  }
}
