import type { Look } from '@retoque/core';
import { useEffect, useState } from 'react';
import { PLAIN_VIEW } from '../frames/frames-view';
import type { BenchTab } from '../grid/SheetBar';
import type { GridState } from '../grid/useGridState';
import type { BenchMemory, KeptMemory } from './bench-memory';
import type { Placing } from './usePlace';

/** What was open in the version before, as far as this one has it too; read once, as the screen opens. */
export function useRemembered(memory: KeptMemory, componentId: string, look: Look): BenchMemory | undefined {
  const [remembered] = useState(() => {
    const own = memory.current;
    if (own?.of !== componentId) return undefined;
    const { exception, ...condition } = own.condition;
    const isThere = look.exceptions.some(({ id }) => id === exception);
    return { ...own, condition: isThere ? own.condition : condition };
  });
  return remembered;
}

/** How the frames show it and which tab is open, kept with the rest for the next version. */
export function useMemory(
  memory: KeptMemory,
  componentId: string,
  remembered: BenchMemory | undefined,
  state: GridState,
  placing: Placing,
) {
  const [view, setView] = useState(remembered?.view ?? PLAIN_VIEW);
  const [tab, setTab] = useState<BenchTab>(remembered?.tab ?? 'values');
  const { viewport, place } = placing;
  const { unfolded, whole, added, search, selection } = state;
  useEffect(() => {
    const { viewport: _width, ...condition } = place;
    memory.current = {
      of: componentId,
      viewport,
      condition,
      view,
      tab,
      sheet: { unfolded, whole, added, search, selection },
    };
  }, [memory, componentId, viewport, place, view, tab, unfolded, whole, added, search, selection]);
  return { view, setView, tab, setTab };
}
