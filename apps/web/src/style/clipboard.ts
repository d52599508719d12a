import { isBlock, readBlock, readCellText, rowText, type Row, type SheetRow } from '@retoque/core';
import type { CellAddress } from './cells';
import type { CellChange } from './look-commands';
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

export interface Pasted {
  readonly changes: readonly CellChange[];
  readonly problems: readonly string[];
}

/**
 * Reads what was pasted at a selection: a block of CSS sets longhands of the part in each selected state; a table fills
 * cells to the right and down; one value fills the selection.
 */
export function readPasted(
  text: string,
  at: CellAddress,
  range: Range,
  rows: readonly ShownRow[],
  columns: readonly string[],
  rowOf: (key: string) => Row | undefined,
): Pasted {
  const lines = text.replace(/\r\n?/g, '\n').replace(/\n+$/, '').split('\n');
  const isTable = lines.some((line) => line.includes('\t'));
  if (!isTable && isBlock(text)) {
    const block = readBlock(text);
    const any = Object.keys(block.values).length > 0;
    return {
      changes: any
        ? range.columns.map((column) => ({ address: { part: at.part, row: at.row, column }, values: block.values }))
        : [],
      problems: block.problems,
    };
  }
  const changes: CellChange[] = [];
  const problems: string[] = [];
  const take = (address: CellAddress, typed: string) => {
    const row = rowOf(address.row);
    if (!row) return;
    const read = readCellText(row, typed);
    if (read.ok) changes.push({ address, values: read.values });
    else problems.push(`${row.label}: ${read.problem}`);
  };
  if (!isTable && lines.length === 1) {
    for (const { part, row } of range.rows) for (const column of range.columns) take({ part, row, column }, lines[0]!);
    return { changes, problems };
  }
  const startRow = rows.findIndex((item) => item.part === range.rows[0]?.part && item.row === range.rows[0]?.row);
  const startColumn = columns.indexOf(range.columns[0] ?? '');
  lines.forEach((line, i) =>
    line.split('\t').forEach((value, j) => {
      const row = rows[startRow + i];
      const column = columns[startColumn + j];
      if (row && column !== undefined && value.trim()) take({ ...row, column }, value);
    }),
  );
  return { changes, problems };
}
