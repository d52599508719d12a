import { isBlock, readBlock, readCellText, type Row } from '@retoque/core';
import type { CellAddress } from '../look/cells';
import type { CellChange } from '../look/look-commands';
import type { Range, ShownRow } from './selection';

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
  const lines = text.replace(/\r\n?/g, '\n').trimEnd().split('\n');
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
