import type { Look, Solution, ViewportName } from '@retoque/core';
import { useEffect, useState } from 'react';
import { engine } from '../engine/engine';
import type { ComponentRef, LedgerQuery } from '../engine/protocol';
import { whenIdle } from '../shell/when-idle';

/** A look that has kept still for so long is taken to be looked at. */
const PAUSE_MILLIS = 600;

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
  useEffect(() => {
    if (!wanted) return;
    let current = true;
    let idle: (() => void) | undefined;
    const timer = setTimeout(() => {
      idle = whenIdle(() => {
        void engine()
          .prepare(component, look, query, at)
          .then((solution) => {
            if (current && solution) setFound({ look, query, solution });
          })
          // Who asks for it is told what is wrong.
          .catch(() => undefined);
      });
    }, PAUSE_MILLIS);
    return () => {
      current = false;
      clearTimeout(timer);
      idle?.();
      void engine().stopPreparing();
    };
  }, [component, look, query, at, wanted]);
  return found?.look === look && found.query === query ? found.solution : undefined;
}
