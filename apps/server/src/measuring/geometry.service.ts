import { Injectable } from '@nestjs/common';
import type { PageGeometry } from '@retoque/contract';
import { and, asc, eq } from 'drizzle-orm';
import type { OwnerScope } from '../database/owner-scope.js';
import { pageGeometries } from '../database/schema.js';
import { problem } from '../http/problem.js';
import { PagesService } from '../pages/pages.service.js';

/** What browsers measured of pages: an input that is stored, so that every figure can be worked out again. */
@Injectable()
export class GeometryService {
  constructor(private readonly pages: PagesService) {}

  /** Measurements of the page as it now is. */
  async list(scope: OwnerScope, pageId: string): Promise<PageGeometry[]> {
    const { version } = await this.pages.get(scope, pageId);
    const rows = await scope.select(
      pageGeometries,
      and(eq(pageGeometries.pageId, pageId), eq(pageGeometries.edition, version.edition)),
      { orderBy: asc(pageGeometries.createdAt) },
    );
    return rows.map(({ geometry, opened }) => ({ ...(geometry as PageGeometry), ...(opened ? { opened } : {}) }));
  }

  /** @throws ProblemException 409 when the page has changed since it was measured */
  async put(
    scope: OwnerScope,
    pageId: string,
    edition: string,
    measurements: readonly PageGeometry[],
  ): Promise<PageGeometry[]> {
    const { version } = await this.pages.get(scope, pageId);
    if (version.edition !== edition) {
      throw problem('conflict', 409, 'The page has changed since it was measured', 'Measure it again as it now is.');
    }
    await scope.transaction(async (inner) => {
      for (const { viewport, opened = '', elements } of measurements) {
        const { width, height } = viewport;
        const same = and(
          eq(pageGeometries.pageId, pageId),
          eq(pageGeometries.edition, edition),
          eq(pageGeometries.width, width),
          eq(pageGeometries.height, height),
          eq(pageGeometries.opened, opened),
        )!;
        const geometry = { viewport, elements };
        const [kept] = await inner.update(pageGeometries, { geometry }, same);
        if (!kept) await inner.insertMissing(pageGeometries, [{ pageId, edition, width, height, opened, geometry }]);
      }
    });
    return this.list(scope, pageId);
  }
}
