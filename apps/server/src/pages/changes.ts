import type { PageChangeRecord, PageVersion } from '@retoque/contract';
import { changePage, sanitiseHtml } from '@retoque/core';
import { and, asc, eq, isNull } from 'drizzle-orm';
import { hashOf } from '../assets/blob-store.js';
import type { OwnerScope } from '../database/owner-scope.js';
import { pageChanges } from '../database/schema.js';

/** A version as it was brought. */
export type BareVersion = Omit<PageVersion, 'edition' | 'changes'>;

export type ChangeRow = typeof pageChanges.$inferSelect;

export const changesOf = (scope: OwnerScope, pageId: string): Promise<ChangeRow[]> =>
  scope.select(pageChanges, and(eq(pageChanges.pageId, pageId), isNull(pageChanges.deletedAt)), {
    orderBy: asc(pageChanges.createdAt),
  });

const describe = (row: ChangeRow, applied: boolean): PageChangeRecord => ({
  id: row.id,
  pageId: row.pageId,
  kind: row.kind,
  name: row.name,
  locator: row.locator,
  place: row.place,
  html: row.html,
  css: row.css,
  before: row.before,
  applied,
  createdAt: row.createdAt.toISOString(),
});

/** A version with the changes in its HTML; nothing in them may run, as with the page itself. */
export function withChanges(version: BareVersion, rows: readonly ChangeRow[]): PageVersion {
  if (!rows.length) return { ...version, edition: version.id, changes: [] };
  const { html, applied } = changePage(version.html, rows);
  const key = hashOf(Buffer.from(rows.map((row) => row.id).join())).slice(0, 12);
  return {
    ...version,
    html: sanitiseHtml(html).html,
    edition: `${version.id}+${key}`,
    changes: rows.map((row, i) => describe(row, applied[i]!)),
  };
}
