import { and, eq, isNull } from 'drizzle-orm';
import type { OwnerScope, SelectOptions } from '../database/owner-scope.js';
import { sites } from '../database/schema.js';
import { notFound } from '../http/problem.js';

/** One site, unless it is deleted. */
export const isLiveSite = (id: string) => and(eq(sites.id, id), isNull(sites.deletedAt))!;

/** @throws ProblemException 404 where an owner has no such site, or has deleted it */
export async function liveSite(
  scope: OwnerScope,
  id: string,
  options?: Pick<SelectOptions, 'forUpdate'>,
): Promise<typeof sites.$inferSelect> {
  const site = await scope.first(sites, isLiveSite(id), options);
  if (!site) throw notFound('The site');
  return site;
}
