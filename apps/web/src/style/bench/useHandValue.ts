import { useMemo } from 'react';
import type { Hand } from '../editor/hand';
import { useCompared } from '../look/useCompared';

/** What is in hand, the same object as long as all of it is. */
export function useHandValue(hand: Omit<Hand, 'compared'>): Hand {
  const compared = useCompared();
  const { kind, component, look, lookNow, query, viewport, measured, onTry, onApply } = hand;
  return useMemo(
    () => ({ kind, component, look, lookNow, query, viewport, measured, onTry, onApply, compared }),
    [kind, component, look, lookNow, query, viewport, measured, onTry, onApply, compared],
  );
}
