import type { Look, StateSheet } from '@retoque/core';
import { useEffect, useRef, useState } from 'react';
import { engine } from '../engine/engine';
import type { ComponentRef, SheetQuery } from '../engine/protocol';

/**
 * The state sheet of a look, resolved in the worker. While an answer is on its way only the newest look waits; answers
 * to older edits are dropped.
 */
export function useSheet(component: ComponentRef | undefined, look: Look, query: SheetQuery) {
  const [answer, setAnswer] = useState<{ sheet: StateSheet; query: SheetQuery }>();
  const [error, setError] = useState<Error>();
  const edit = useRef(0);
  const busy = useRef(false);
  const waiting = useRef<(() => void) | undefined>(undefined);

  useEffect(() => {
    if (!component) return;
    const editNumber = ++edit.current;
    const ask = () => {
      busy.current = true;
      waiting.current = undefined;
      engine()
        .sheet(component, look, query, editNumber)
        .then((result) => {
          if (result.editNumber !== edit.current) return;
          setAnswer({ sheet: result.sheet, query });
          setError(undefined);
        })
        .catch((problem: unknown) => {
          if (editNumber === edit.current) setError(problem instanceof Error ? problem : new Error(String(problem)));
        })
        .finally(() => {
          busy.current = false;
          waiting.current?.();
        });
    };
    if (busy.current) waiting.current = ask;
    else ask();
  }, [component, look, query]);

  return { sheet: answer?.sheet, error };
}
