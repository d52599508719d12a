import type { PageChangeRecord, PageVersion } from '@retoque/contract';
import { changePage, PageTooLargeError, parseHtml, sanitiseHtml } from '@retoque/core';
import { and, asc, eq, isNull } from 'drizzle-orm';
import { hashOf } from '../assets/blob-store.js';
import type { OwnerScope } from '../database/owner-scope.js';
import { pageChanges } from '../database/schema.js';
import { LIMITS } from './import/limits.js';

/** A version as it was brought. */
export type BareVersion = Omit<PageVersion, 'edition' | 'changes'>;

export type ChangeRow = typeof pageChanges.$inferSelect;

export const changesOf = (scope: OwnerScope, pageId: string): Promise<ChangeRow[]> =>
  scope.select(pageChanges, and(eq(pageChanges.pageId, pageId), isNull(pageChanges.deletedAt)), {
    orderBy: asc(pageChanges.createdAt),
  });

const describe = (row: ChangeRow, applied: boolean, problem: string | null): PageChangeRecord => ({
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
  problem,
  createdAt: row.createdAt.toISOString(),
});

type Change = Parameters<typeof changePage>[1][number];

/**
 * A page's HTML with changes in it; nothing in them may run, as with the page itself.
 *
 * @throws PageTooLargeError where the page would go past the bounds of a page with them
 */
export function applyChanges(source: string, changes: readonly Change[]): ReturnType<typeof changePage> {
  const { html, applied } = changePage(source, changes);
  if (html.length > LIMITS.htmlBytes) throw new PageTooLargeError('The page has more than 5 MB of HTML.');
  const clean = sanitiseHtml(html).html;
  // What cannot be read afterwards is found out now, and not whenever the page is asked for.
  parseHtml(clean);
  return { html: clean, applied };
}

interface Outcome {
  readonly html: string;
  readonly applied: readonly boolean[];
  readonly problems: readonly (string | null)[];
}

/** All changes that can be made; one that cannot is set aside with its reason, and never takes the page down. */
function applyWhatFits(source: string, rows: readonly ChangeRow[]): Outcome {
  try {
    return { ...applyChanges(source, rows), problems: rows.map(() => null) };
  } catch (error) {
    if (!(error instanceof PageTooLargeError)) throw error;
  }
  const taken: ChangeRow[] = [];
  const problems = rows.map((row) => {
    try {
      applyChanges(source, [...taken, row]);
      taken.push(row);
      return null;
    } catch (error) {
      if (!(error instanceof PageTooLargeError)) throw error;
      return error.message;
    }
  });
  const done = applyChanges(source, taken);
  const applied = rows.map((row) => taken.includes(row) && done.applied[taken.indexOf(row)]!);
  return { html: done.html, applied, problems };
}

/** A version with the changes in its HTML. */
export function withChanges(version: BareVersion, rows: readonly ChangeRow[]): PageVersion {
  if (!rows.length) return { ...version, edition: version.id, changes: [] };
  const { html, applied, problems } = applyWhatFits(version.html, rows);
  const key = hashOf(Buffer.from(rows.map((row) => row.id).join())).slice(0, 12);
  return {
    ...version,
    html,
    edition: `${version.id}+${key}`,
    changes: rows.map((row, i) => describe(row, applied[i]!, problems[i]!)),
  };
}
