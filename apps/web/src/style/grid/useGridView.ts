import type { StateColumn, StateSheet } from '@retoque/core';
import { useMemo } from 'react';
import { useStable } from '../../shell/useStable';
import { sameAddress, type CellAddress } from '../look/cells';
import { cellsOf, oneCell, rangeOf, type Selection, type ShownRow } from './selection';
import type { GridState } from './useGridState';

/** The cell itself where it is shown, or else the nearest that is: its part's first row, its row's first column. */
export function nearest(
  cell: CellAddress,
  shown: readonly ShownRow[],
  columns: readonly string[],
): CellAddress | undefined {
  const row =
    shown.find((item) => item.part === cell.part && item.row === cell.row) ??
    shown.find((item) => item.part === cell.part) ??
    shown[0];
  const column = columns.includes(cell.column) ? cell.column : columns[0];
  return row && column !== undefined ? { ...row, column } : undefined;
}

/** What of a sheet is shown, and what of that is selected. */
export function useGridView(sheet: StateSheet | undefined, state: GridState) {
  const { unfolded, whole, search, selection } = state;
  const words = search.trim().toLowerCase();
  const shown = useStable(
    useMemo((): readonly ShownRow[] => {
      const open = new Set(unfolded);
      const all = new Set(whole);
      return (sheet?.rows ?? [])
        .filter(({ part, row, first }) => {
          if (!open.has(part)) return false;
          if (!words) return first || all.has(part);
          return [row.label, row.shorthand ?? '', ...row.properties].some((text) => text.toLowerCase().includes(words));
        })
        .map(({ part, row }) => ({ part, row: row.key }));
    }, [sheet?.rows, unfolded, whole, words]),
  );
  const columns = useStable(
    useMemo((): readonly StateColumn[] => {
      const open = sheet?.parts.filter((item) => unfolded.includes(item.name)) ?? [];
      const names = new Set((open.length ? open : (sheet?.parts ?? [])).flatMap((item) => item.columns));
      return sheet?.columns.filter((column) => names.has(column.name)) ?? [];
    }, [sheet?.columns, sheet?.parts, unfolded]),
  );
  const names = useMemo(() => columns.map((column) => column.name), [columns]);

  const part = sheet?.parts.find((item) => item.name === selection.head.part) ?? sheet?.parts[0];
  const head = nearest(selection.head, shown, part?.columns ?? names);
  const active = useMemo(
    (): Selection => (head && !sameAddress(head, selection.head) ? oneCell(head) : selection),
    [head, selection],
  );
  const range = useMemo(() => rangeOf(active, shown, names), [active, shown, names]);
  const sheetRow = sheet?.rows.find((item) => item.part === active.head.part && item.row.key === active.head.row);
  const cell = sheetRow?.cells.find((item) => item.column === active.head.column);
  const partColumns = useStable(sheet?.columns.filter((column) => part?.columns.includes(column.name)) ?? []);
  return { shown, columns, names, part, partColumns, active, range, selected: cellsOf(range), sheetRow, cell };
}
export type GridView = ReturnType<typeof useGridView>;
