import { useEffect, useRef, useState } from 'react';

const LAG_MILLIS = 100;

/**
 * The value a moment later: while it changes fast, what is drawn from it follows at a slower pace, and leaves the time
 * between a keystroke and its effect to what matters more.
 */
export function useFollowing<T>(value: T): T {
  const [shown, setShown] = useState(value);
  const latest = useRef(value);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => {
    latest.current = value;
    if (timer.current === undefined)
      timer.current = setTimeout(() => {
        timer.current = undefined;
        setShown(latest.current);
      }, LAG_MILLIS);
  }, [value]);
  useEffect(
    () => () => {
      clearTimeout(timer.current);
      timer.current = undefined;
    },
    [],
  );
  return shown;
}
