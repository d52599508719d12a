import type { CellAddress } from '../look/cells';

/** A rectangle of cells: where it began, and where it is drawn to. */
export interface Selection {
  readonly anchor: CellAddress;
  readonly head: CellAddress;
}

export const oneCell = (address: CellAddress): Selection => ({ anchor: address, head: address });

/** A row of the sheet as it is shown. */
export interface ShownRow {
  readonly part: string;
  readonly row: string;
}

export interface Range {
  readonly rows: readonly ShownRow[];
  readonly columns: readonly string[];
}

const indexOfRow = (rows: readonly ShownRow[], { part, row }: ShownRow): number =>
  rows.findIndex((item) => item.part === part && item.row === row);

const between = <T>(items: readonly T[], a: number, b: number): readonly T[] =>
  a < 0 || b < 0 ? [] : items.slice(Math.min(a, b), Math.max(a, b) + 1);

/** Rows and columns of a selection, in the order of the sheet. */
export function rangeOf({ anchor, head }: Selection, rows: readonly ShownRow[], columns: readonly string[]): Range {
  return {
    rows: between(rows, indexOfRow(rows, anchor), indexOfRow(rows, head)),
    columns: between(columns, columns.indexOf(anchor.column), columns.indexOf(head.column)),
  };
}

export const cellsOf = ({ rows, columns }: Range): CellAddress[] =>
  rows.flatMap(({ part, row }) => columns.map((column) => ({ part, row, column })));

/** The cell so many rows and columns away, kept within the sheet. */
export function step(
  from: CellAddress,
  rows: readonly ShownRow[],
  columns: readonly string[],
  down: number,
  across: number,
): CellAddress {
  const clamp = (value: number, length: number) => Math.max(0, Math.min(length - 1, value));
  const row = rows[clamp(Math.max(0, indexOfRow(rows, from)) + down, rows.length)];
  const column = columns[clamp(Math.max(0, columns.indexOf(from.column)) + across, columns.length)];
  return row && column !== undefined ? { ...row, column } : from;
}
