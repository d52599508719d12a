import { rowText, type SheetRow } from '@retoque/core';
import type { CellAddress } from '../look/cells';
import type { Range, ShownRow } from './selection';

type Own = (cell: CellAddress) => Readonly<Record<string, string>> | undefined;

/** What the look holds for a cell, or else what the sheet shows. */
function valueOf(rows: readonly SheetRow[], { part, row }: ShownRow, column: string, own: Own): string {
  const sheetRow = rows.find((item) => item.part === part && item.row.key === row);
  const cell = sheetRow?.cells.find((item) => item.column === column);
  if (!sheetRow || !cell?.applies) return '';
  const values = own({ part, row, column });
  return (values && rowText(sheetRow.row, (property) => values[property]!)) ?? cell.own ?? cell.computed;
}

/** Cells as a spreadsheet takes them: tabs between states, a line for each row. */
export const asTable = (range: Range, rows: readonly SheetRow[], own: Own): string =>
  range.rows.map((row) => range.columns.map((column) => valueOf(rows, row, column, own)).join('\t')).join('\n');

/** The cells of the first column as CSS declarations. */
export function asCss(range: Range, rows: readonly SheetRow[], own: Own): string {
  const [column] = range.columns;
  return range.rows
    .flatMap((shown) => {
      const sheetRow = rows.find((item) => item.part === shown.part && item.row.key === shown.row);
      const value = column === undefined ? '' : valueOf(rows, shown, column, own);
      if (!sheetRow || !value) return [];
      const { row } = sheetRow;
      const names = row.shorthand ? [row.shorthand] : row.properties;
      return names.map((name) => `${name}: ${value};`);
    })
    .join('\n');
}
