import { Injectable } from '@nestjs/common';
import { PROBLEM, type AddFinish, type Finish, type LookData, type SaveFinish } from '@retoque/contract';
import { kindNamed } from '@retoque/core';
import { and, asc, eq, inArray, isNotNull, isNull } from 'drizzle-orm';
import type { OwnerScope } from '../database/owner-scope.js';
import { finishes } from '../database/schema.js';
import { notFound, problem, ProblemException } from '../http/problem.js';
import { liveSite } from '../owners/live-site.js';

/** More are no set that anybody oversees. */
const MOST_FINISHES = 200;

const toFinish = (row: typeof finishes.$inferSelect): Finish => ({
  id: row.id,
  siteId: row.siteId,
  kind: row.kind,
  name: row.name,
  look: row.look as LookData,
  revision: row.revision,
  createdAt: row.createdAt.toISOString(),
});

/** Looks that are kept by name, for components of a site to follow. */
@Injectable()
export class FinishesService {
  /** The finishes of sites that are known to be there, in the order in which they were made. */
  async ofAll(scope: OwnerScope, siteIds: readonly string[]): Promise<Finish[]> {
    if (!siteIds.length) return [];
    const own = and(inArray(finishes.siteId, [...siteIds]), isNull(finishes.deletedAt));
    return (await scope.select(finishes, own, { orderBy: asc(finishes.createdAt) })).map(toFinish);
  }

  async add(scope: OwnerScope, siteId: string, { kind, name, look }: AddFinish): Promise<Finish> {
    await liveSite(scope, siteId);
    if (!kindNamed(kind)) throw problem('invalid', 400, `No kind of component is called "${kind}"`);
    if ((await this.ofAll(scope, [siteId])).length >= MOST_FINISHES)
      throw problem('invalid', 422, `A site has at most ${MOST_FINISHES} finishes`, 'Remove one that nothing follows.');
    const [row] = await scope.insert(finishes, { siteId, kind, name, look });
    return toFinish(row!);
  }

  /** @throws ProblemException 409 with the newer finish when somebody saved in between */
  async save(scope: OwnerScope, id: string, { baseRevision, name, look }: SaveFinish): Promise<Finish> {
    return scope.transaction(async (inner) => {
      const live = and(eq(finishes.id, id), isNull(finishes.deletedAt));
      const row = await inner.first(finishes, live, { forUpdate: true });
      if (!row) throw notFound('The finish');
      if (row.revision !== baseRevision) {
        throw new ProblemException(
          {
            type: PROBLEM.conflict,
            title: `The finish “${row.name}” was changed in the meantime`,
            status: 409,
            detail: 'Look at the newer one, and make your change on it.',
          },
          { current: toFinish(row) },
        );
      }
      const [saved] = await inner.update(finishes, { name, look, revision: row.revision + 1 }, eq(finishes.id, id));
      return toFinish(saved!);
    });
  }

  /** Kept out of sight until it is restored. */
  async remove(scope: OwnerScope, id: string): Promise<void> {
    const live = and(eq(finishes.id, id), isNull(finishes.deletedAt))!;
    const [row] = await scope.update(finishes, { deletedAt: new Date() }, live);
    if (!row) throw notFound('The finish');
  }

  async restore(scope: OwnerScope, id: string): Promise<Finish> {
    const removed = and(eq(finishes.id, id), isNotNull(finishes.deletedAt))!;
    const [row] = await scope.update(finishes, { deletedAt: null }, removed);
    if (!row) throw notFound('A removed finish with that id');
    return toFinish(row);
  }
}
