import { useMemo } from 'react';
import type { Hand } from '../editor/hand';

/** What is in hand, the same object as long as all of it is. */
export function useHandValue(hand: Hand): Hand {
  const { kind, component, look, lookNow, query, viewport, measured, onTry, onApply } = hand;
  return useMemo(
    () => ({ kind, component, look, lookNow, query, viewport, measured, onTry, onApply }),
    [kind, component, look, lookNow, query, viewport, measured, onTry, onApply],
  );
}
