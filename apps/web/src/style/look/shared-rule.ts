import type { Cell } from '@retoque/core';

const isSame = (a: Cell['site'], b: Cell['site']): boolean =>
  a !== undefined && b !== undefined && a.sheet === b.sheet && a.line === b.line && a.column === b.column;

/**
 * Columns that one rule of the site serves together with another, such as `a:hover, a:focus`, and that the owner has
 * not set: where one of them is changed, the others keep what the rule says.
 *
 * @param cells of one row
 * @param column the one that the owner has set
 */
export function servedTogether(cells: readonly Cell[], column: string): string[] {
  const changed = cells.find((cell) => cell.column === column);
  const atRest = cells.find((cell) => cell.column === 'default');
  if (column === 'default' || changed?.own === undefined || changed.muted || isSame(changed.site, atRest?.site))
    return [];
  return cells.flatMap((cell) =>
    cell.column !== column &&
    cell.applies &&
    cell.own === undefined &&
    cell.follows === undefined &&
    cell.from === 'site' &&
    isSame(cell.site, changed.site)
      ? [cell.column]
      : [],
  );
}
