import type { Kind, StateSheet } from '@retoque/core';
import { useLayoutEffect, useMemo, useRef, useState } from 'react';
import { useSteady } from '../../shell/useSteady';
import { oneCell, type Selection } from './selection';

const firstRow = (kind: Kind, part: string): string => kind.parts.find(({ name }) => name === part)?.first[0] ?? 'text';

const toggled = (names: readonly string[], name: string): readonly string[] =>
  names.includes(name) ? names.filter((other) => other !== name) : [...names, name];

/** What of a sheet is open, looked for and selected. */
export interface OpenSheet {
  readonly unfolded: readonly string[];
  /** Parts of which all rows are shown. */
  readonly whole: readonly string[];
  /** Columns that were added. */
  readonly added: readonly string[];
  readonly search: string;
  readonly selection: Selection;
}

const firstOpen = (kind: Kind): OpenSheet => ({
  unfolded: [kind.parts[0]!.name],
  whole: [],
  added: [],
  search: '',
  selection: oneCell({ part: kind.parts[0]!.name, row: kind.parts[0]!.first[0]!, column: 'hover' }),
});

/** What of the sheet is open, looked for and selected; at first what was so in the version before. */
export function useGridState(kind: Kind, remembered?: OpenSheet) {
  const [open] = useState(() => remembered ?? firstOpen(kind));
  const [unfolded, setUnfolded] = useState(open.unfolded);
  const [whole, setWhole] = useState(open.whole);
  const [added, setAdded] = useState(open.added);
  const [search, setSearch] = useState(open.search);
  const [selection, setSelection] = useState(open.selection);

  const togglePart = useSteady((name: string) => {
    setUnfolded((now) => toggled(now, name));
    if (unfolded.includes(name)) return;
    setSelection((now) => oneCell({ part: name, row: firstRow(kind, name), column: now.head.column }));
  });
  const actions = useMemo(
    () => ({
      select: setSelection,
      column: (name: string, part?: string) => {
        setSelection((now) =>
          part === undefined || part === now.head.part
            ? oneCell({ ...now.head, column: name })
            : oneCell({ part, row: firstRow(kind, part), column: name }),
        );
        if (part !== undefined) setUnfolded((now) => (now.includes(part) ? now : [...now, part]));
      },
      togglePart,
      toggleWhole: (name: string) => setWhole((now) => toggled(now, name)),
    }),
    [togglePart, kind],
  );

  const unfoldedSet = useMemo(() => new Set(unfolded), [unfolded]);
  const wholeSet = useMemo(() => new Set(whole), [whole]);
  return {
    unfolded,
    unfoldedSet,
    setUnfolded,
    whole,
    wholeSet,
    added,
    setAdded,
    search,
    setSearch,
    selection,
    setSelection,
    actions,
  };
}
export type GridState = ReturnType<typeof useGridState>;

/** The first sheet shows what fails, if anything does and nothing was open before. */
export function useFirstShown(
  sheet: StateSheet | undefined,
  kind: Kind,
  { setUnfolded, setSelection }: GridState,
  isRemembered: boolean,
): void {
  const settled = useRef(isRemembered);
  // Before anything is painted: what is open at first must not change under a pointer.
  useLayoutEffect(() => {
    if (!sheet || settled.current) return;
    settled.current = true;
    const first = sheet.parts.find((part) => part.short > 0) ?? sheet.parts[0];
    if (!first) return;
    setUnfolded((now) => (now.includes(first.name) ? now : [first.name]));
    const short = sheet.checks.find((check) => check.part === first.name && check.verdict === 'short');
    const column = short?.column ?? (first.columns.includes('hover') ? 'hover' : first.columns[0]!);
    setSelection(oneCell({ part: first.name, row: firstRow(kind, first.name), column }));
  }, [sheet, kind, setUnfolded, setSelection]);
}
