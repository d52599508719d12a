import { Injectable } from '@nestjs/common';
import type { ChangeSite, PageSummary, Site, SiteChoice } from '@retoque/contract';
import { and, asc, eq, inArray, isNotNull, isNull } from 'drizzle-orm';
import type { OwnerScope } from '../database/owner-scope.js';
import { components, pages, pageVersions, sites } from '../database/schema.js';
import { notFound, problem } from '../http/problem.js';
import { FinishesService } from '../finishes/finishes.service.js';
import { isLiveSite, liveSite } from '../owners/live-site.js';
import { PalettesService } from '../palettes/palettes.service.js';

@Injectable()
export class SitesService {
  constructor(
    private readonly palettes: PalettesService,
    private readonly finishes: FinishesService,
  ) {}

  async list(scope: OwnerScope): Promise<Site[]> {
    const rows = await scope.select(sites, isNull(sites.deletedAt), { orderBy: asc(sites.createdAt) });
    return this.describe(scope, rows);
  }

  async get(scope: OwnerScope, id: string): Promise<Site> {
    return (await this.describe(scope, [await liveSite(scope, id)]))[0]!;
  }

  /** @throws ProblemException 409 when the bounds are no longer those that the new ones were set on */
  async change(scope: OwnerScope, id: string, { name, bounds }: ChangeSite): Promise<Site> {
    await scope.transaction(async (inner) => {
      const row = await liveSite(inner, id, { forUpdate: true });
      if (bounds && (row.mediumUpTo !== bounds.from.medium || row.narrowUpTo !== bounds.from.narrow)) {
        throw problem(
          'conflict',
          409,
          'The widths were changed in the meantime',
          `They are ${row.mediumUpTo} and ${row.narrowUpTo} pixels now. Load the page again, and change those.`,
        );
      }
      await inner.update(
        sites,
        {
          ...(name === undefined ? {} : { name }),
          ...(bounds ? { mediumUpTo: bounds.to.medium, narrowUpTo: bounds.to.narrow } : {}),
        },
        eq(sites.id, id),
      );
    });
    return this.get(scope, id);
  }

  /** Kept out of sight until it is restored. */
  async remove(scope: OwnerScope, id: string): Promise<void> {
    const [row] = await scope.update(sites, { deletedAt: new Date() }, isLiveSite(id));
    if (!row) throw notFound('The site');
  }

  async restore(scope: OwnerScope, id: string): Promise<Site> {
    const [row] = await scope.update(sites, { deletedAt: null }, and(eq(sites.id, id), isNotNull(sites.deletedAt))!);
    if (!row) throw notFound('A deleted site with that id');
    return this.get(scope, id);
  }

  /** The id of the chosen site, made when only a name is given; part of the transaction of the scope. */
  async choose(scope: OwnerScope, choice: SiteChoice): Promise<string> {
    if ('id' in choice) return (await this.get(scope, choice.id)).id;
    const [row] = await scope.insert(sites, { name: choice.name });
    return row!.id;
  }

  private async describe(scope: OwnerScope, rows: (typeof sites.$inferSelect)[]): Promise<Site[]> {
    const ids = rows.map((row) => row.id);
    if (!ids.length) return [];
    const summaries = await pageSummaries(scope, ids);
    const paletteOf = await this.palettes.ofAll(scope, ids);
    const kept = await this.finishes.ofAll(scope, ids);
    const live = new Set(summaries.map((page) => page.id));
    const { siteId, pageId } = components;
    const own = and(inArray(siteId, ids), isNull(components.deletedAt));
    const found = await scope.columns(components, { siteId, pageId }, own);
    return rows.map((row) => ({
      id: row.id,
      name: row.name,
      bounds: { medium: row.mediumUpTo, narrow: row.narrowUpTo },
      palette: paletteOf(row.id),
      finishes: kept.filter(({ siteId: own }) => own === row.id),
      createdAt: row.createdAt.toISOString(),
      pages: summaries.filter((page) => page.siteId === row.id),
      componentCount: found.filter((item) => item.siteId === row.id && live.has(item.pageId)).length,
    }));
  }
}

/** Pages of sites with their newest version, in the order in which they were brought. */
export async function pageSummaries(scope: OwnerScope, siteIds: string[]): Promise<PageSummary[]> {
  const rows = await scope.select(pages, and(inArray(pages.siteId, siteIds), isNull(pages.deletedAt)), {
    orderBy: asc(pages.createdAt),
  });
  if (!rows.length) return [];
  const { pageId, number, createdAt } = pageVersions;
  const ids = rows.map((row) => row.id);
  const versions = await scope.columns(pageVersions, { pageId, number, createdAt }, inArray(pageId, ids), {
    orderBy: asc(number),
  });
  const newest = new Map(versions.map((version) => [version.pageId, version]));
  return rows.map(({ id, siteId, name, address, source }) => {
    const version = newest.get(id)!;
    return {
      id,
      siteId,
      name,
      address,
      source,
      versionNumber: version.number,
      versionAt: version.createdAt.toISOString(),
    };
  });
}
