import { useCallback, useLayoutEffect, useRef } from 'react';

/** A callback that stays the same function and runs the newest: what it is handed to need not be drawn again. */
export function useSteady<A extends readonly unknown[], R>(run: (...given: A) => R): (...given: A) => R {
  const latest = useRef(run);
  useLayoutEffect(() => {
    latest.current = run;
  });
  return useCallback((...given: A) => latest.current(...given), []);
}
