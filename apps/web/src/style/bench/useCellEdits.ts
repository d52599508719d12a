import { rowNamed, type Kind, type StateSheet } from '@retoque/core';
import type { ClipboardEvent } from 'react';
import { toaster } from '../../shell/toasts';
import { useSteady } from '../../shell/useSteady';
import { asCss, asTable } from '../grid/clipboard';
import { withReader } from '../grid/reading';
import type { GridView } from '../grid/useGridView';
import { cellsName, type LookEditor } from '../look/useLookEditor';

type Values = Readonly<Record<string, string>>;

/** What is done to the cells in hand: each is one named step of the history. */
export function useCellEdits(kind: Kind, sheet: StateSheet | undefined, grid: GridView, editor: LookEditor) {
  const { active, selected, range, shown, names, part, sheetRow, cell } = grid;

  const setSelected = useSteady((values: Values, gesture?: string) => {
    const given = new Set(Object.values(values));
    const text = given.size === 1 ? [...given][0] : undefined;
    const name = `${cellsName(kind, selected)}${text ? `: ${text}` : ''}`;
    if (selected.every(({ row }) => row === active.head.row)) {
      const changes = selected.map((address) => ({ address, values }));
      return editor.set(changes, name, gesture);
    }
    withReader(({ valuesFor }) => {
      const changes = selected.flatMap((address) => {
        const own = address.row === active.head.row ? values : valuesFor(address.row, Object.values(values)[0]);
        return own ? [{ address, values: own }] : [];
      });
      editor.set(changes, name, gesture);
    });
  });

  const clear = useSteady(() => editor.clear(selected));
  const mute = useSteady(() => {
    if (!editor.toggleMuted(selected)) toaster.create({ title: 'Nothing is set by you here.' });
  });

  /** Sets the row in hand in several columns, as one step. */
  const setColumns = (columns: readonly string[], values: Values, name: (cells: string) => string) => {
    const cells = columns.map((column) => ({ ...active.head, column }));
    editor.set(
      cells.map((address) => ({ address, values })),
      name(cellsName(kind, cells)),
    );
  };
  const fillWith = (values: Values) =>
    setColumns(range.columns.length > 1 ? range.columns : (part?.columns ?? []), values, (cells) => `Fill ${cells}`);
  const fill = () => {
    if (!sheetRow || !cell) return;
    const own = editor.own(active.head);
    if (own) return fillWith(own);
    withReader(({ readTyped }) => {
      const read = readTyped(sheetRow.row, cell.computed);
      if (read.ok) fillWith(read.values);
      else toaster.create({ title: read.problem });
    });
  };

  const takeAlong = useSteady((parts: readonly string[]) => {
    const value = editor.own(active.head)?.color;
    if (value === undefined) return;
    const taken = parts.map((name) => ({ part: name, row: 'text', column: active.head.column }));
    editor.set(
      taken.map((address) => ({ address, values: { color: value } })),
      `Take along ${cellsName(kind, taken)}`,
    );
  });

  const setAlso = useSteady((columns: readonly string[]) => {
    const values = editor.own(active.head);
    if (values) setColumns(columns, values, (cells) => `Set ${cells} too`);
  });

  const copy = (event: ClipboardEvent, cut: boolean) => {
    if (!(event.target as HTMLElement).matches('.cell') || !sheet) return;
    event.preventDefault();
    event.clipboardData.setData('text/plain', asTable(range, sheet.rows, editor.own));
    if (cut) clear();
  };
  const paste = (event: ClipboardEvent) => {
    if (!(event.target as HTMLElement).matches('.cell')) return;
    event.preventDefault();
    const text = event.clipboardData.getData('text/plain');
    withReader(({ readPasted }) => {
      const { changes, problems } = readPasted(text, active.head, range, shown, names, rowNamed);
      const cells = changes.map(({ address }) => address);
      editor.set(changes, `Paste into ${cellsName(kind, cells)}`);
      if (problems.length) toaster.create({ title: problems.slice(0, 3).join(' ') });
    });
  };
  const copyCss = () => {
    if (!sheet) return;
    void navigator.clipboard.writeText(asCss(range, sheet.rows, editor.own)).then(
      () => toaster.create({ title: 'Copied as CSS' }),
      () => toaster.create({ title: 'The browser does not allow copying here.' }),
    );
  };

  return { setSelected, clear, mute, fill, takeAlong, setAlso, copy, paste, copyCss };
}
export type CellEdits = ReturnType<typeof useCellEdits>;
