import type { Look, Solution, ViewportName } from '@retoque/core';
import { useEffect, useRef, useState } from 'react';
import { engine } from '../engine/engine';
import type { ComponentRef, LedgerQuery } from '../engine/protocol';

/** A look that was edited is worked on once it has kept still for so long. */
const PAUSE_MILLIS = 300;

/**
 * What makes all of a component pass, worked out beforehand while nobody asks for anything.
 *
 * @returns undefined until it is there, and when the look has changed since
 */
export function usePrepared(
  component: ComponentRef,
  look: Look,
  query: LedgerQuery,
  at: ViewportName,
  wanted: boolean,
): Solution | undefined {
  const [found, setFound] = useState<{ look: Look; query: LedgerQuery; solution: Solution }>();
  const last = useRef(look);
  useEffect(() => {
    if (!wanted) return;
    let current = true;
    const prepare = () =>
      void engine()
        .prepare(component, look, query, at)
        .then((solution) => {
          if (current && solution) setFound({ look, query, solution });
        })
        // Who asks for it is told what is wrong.
        .catch(() => undefined);
    const isEdit = last.current !== look;
    last.current = look;
    const timer = setTimeout(prepare, isEdit ? PAUSE_MILLIS : 0);
    return () => {
      current = false;
      clearTimeout(timer);
      void engine().stopPreparing();
    };
  }, [component, look, query, at, wanted]);
  return found?.look === look && found.query === query ? found.solution : undefined;
}
