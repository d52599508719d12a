import type { Kind, StateSheet } from '@retoque/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useSteady } from '../../shell/useSteady';
import { oneCell, type Selection } from './selection';

const firstRow = (kind: Kind, part: string): string => kind.parts.find(({ name }) => name === part)?.first[0] ?? 'text';

const toggled = (names: readonly string[], name: string): readonly string[] =>
  names.includes(name) ? names.filter((other) => other !== name) : [...names, name];

/** What of the sheet is open, looked for and selected. */
export function useGridState(kind: Kind) {
  const [unfolded, setUnfolded] = useState<readonly string[]>([kind.parts[0]!.name]);
  const [whole, setWhole] = useState<readonly string[]>([]);
  const [added, setAdded] = useState<readonly string[]>([]);
  const [search, setSearch] = useState('');
  const [selection, setSelection] = useState<Selection>(() =>
    oneCell({ part: kind.parts[0]!.name, row: kind.parts[0]!.first[0]!, column: 'hover' }),
  );

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

/** The first sheet shows what falls short, if anything does. */
export function useFirstShown(
  sheet: StateSheet | undefined,
  kind: Kind,
  { setUnfolded, setSelection }: GridState,
): void {
  const settled = useRef(false);
  useEffect(() => {
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
