import {
  changeLook,
  correctPart,
  partNamed,
  removePart,
  renamePart,
  rowNamed,
  withOwnParts,
  type EditingPlace,
  type Exception,
  type Kind,
  type Look,
  type Setting,
  type SheetPart,
} from '@retoque/core';
import { useCallback, useEffect, useMemo, useReducer } from 'react';
import { columnLabel, type CellAddress } from './cells';
import { historyReducer, startHistory, type History, type Step } from './history';
import * as commands from './look-commands';
import type { CellChange } from './look-commands';

export interface LookEditor {
  readonly history: History;
  readonly look: Look;
  readonly set: (changes: readonly CellChange[], name: string, gesture?: string) => void;
  /** Sets values wherever they belong, in one step. */
  readonly apply: (settings: readonly Setting[], name: string) => void;
  /** Sets cells under another width than the one in hand. */
  readonly setAt: (viewport: 'medium' | 'narrow', changes: readonly CellChange[], name: string) => void;
  /** What a cell holds in the look in hand, whether or not the sheet shows it yet. */
  readonly own: (cell: CellAddress) => Readonly<Record<string, string>> | undefined;
  readonly clear: (cells: readonly CellAddress[]) => void;
  readonly toggleMuted: (cells: readonly CellAddress[]) => boolean;
  readonly addException: (exception: Exception) => void;
  readonly removeException: (exception: Exception) => void;
  readonly correctPart: (part: string, label: string, selector: string | undefined) => void;
  /** Calls a part otherwise; undefined as its kind calls it. */
  readonly renamePart: (part: string, label: string, name: string | undefined) => void;
  readonly undo: () => void;
  readonly redo: () => void;
  readonly go: (steps: number) => void;
  /** Takes up steps of earlier sittings, the oldest first. */
  readonly remember: (steps: readonly Step[]) => void;
  /** Another look in place of the one in hand, as one step. */
  readonly replace: (look: Look, name: string) => void;
}

/** What a step that concerns cells is called. */
export function cellsName(kind: Kind, cells: readonly CellAddress[]): string {
  const [first] = cells;
  if (!first) return 'Nothing';
  const part = partNamed(kind, first.part)?.label ?? first.part;
  const row = rowNamed(first.row)?.label ?? first.row;
  const rest = cells.length > 1 ? ` and ${cells.length - 1} more` : '';
  return `${part}, ${row.toLowerCase()}, ${columnLabel(first.column).toLowerCase()}${rest}`;
}

/**
 * The look in hand with its history; every edit is one named step that can be undone.
 *
 * @param onChange called with the next look before anything is drawn
 */
export function useLookEditor(
  kind: Kind,
  start: () => Look,
  parts: readonly SheetPart[],
  place: EditingPlace,
  onChange: (look: Look) => void,
): LookEditor {
  const [history, dispatch] = useReducer(historyReducer, undefined, () => startHistory(start()));
  const look = history.present;
  const called = useMemo(() => withOwnParts(kind, look), [kind, look]);
  const change = useCallback(
    (next: Look, name: string, gesture?: string) => {
      onChange(next);
      dispatch({ type: 'change', look: next, name, gesture });
    },
    [onChange],
  );

  useEffect(() => {
    const keys = (event: KeyboardEvent) => {
      const typing = (event.target as HTMLElement).matches(
        'input:not([type=range], [type=checkbox]), textarea, select',
      );
      if (!(event.ctrlKey || event.metaKey) || typing) return;
      const key = event.key.toLowerCase();
      if (key !== 'z' && key !== 'y') return;
      event.preventDefault();
      dispatch({ type: key === 'y' || event.shiftKey ? 'redo' : 'undo' });
    };
    window.addEventListener('keydown', keys);
    return () => window.removeEventListener('keydown', keys);
  }, []);

  return useMemo(
    (): LookEditor => ({
      history,
      look,
      set: (changes, name, gesture) => {
        if (changes.length) change(commands.setCells(look, changes, parts, place, rowNamed), name, gesture);
      },
      apply: (settings, name) => change(changeLook(look, settings), name),
      setAt: (viewport, changes, name) =>
        change(commands.setCells(look, changes, parts, { ...place, viewport }, rowNamed), name),
      own: (address) => commands.ownValues(look, address, parts, place, rowNamed),
      clear: (cells) => {
        const next = commands.setCells(
          look,
          cells.map((address) => ({ address, values: undefined })),
          parts,
          place,
          rowNamed,
        );
        if (next.settings.length !== look.settings.length) change(next, `Clear ${cellsName(called, cells)}`);
      },
      toggleMuted: (cells) => {
        const next = commands.toggleMuted(look, cells, parts, place, rowNamed);
        if (next) change(next.look, `${next.muted ? 'Switch off' : 'Switch on'} ${cellsName(called, cells)}`);
        return next !== undefined;
      },
      addException: (exception) => change(commands.addException(look, exception), `Exception “${exception.name}”`),
      removeException: (exception) =>
        change(commands.removeException(look, exception.id), `Remove the exception “${exception.name}”`),
      correctPart: (part, label, selector) => {
        if (selector !== undefined) return change(correctPart(look, part, selector), `${label} is ${selector}`);
        if (partNamed(kind, part)) return change(correctPart(look, part, selector), `${label} as it was found`);
        change(removePart(look, part), `Remove the part “${label}”`);
      },
      renamePart: (part, label, name) =>
        change(
          renamePart(look, part, name),
          name === undefined ? `${label} by its usual name` : `Call ${label} “${name}”`,
        ),
      undo: () => dispatch({ type: 'undo' }),
      redo: () => dispatch({ type: 'redo' }),
      go: (steps) => dispatch({ type: 'go', steps }),
      remember: (steps) => dispatch({ type: 'earlier', steps }),
      replace: (next, name) => change(next, name),
    }),
    [history, look, change, parts, place, kind, called],
  );
}
