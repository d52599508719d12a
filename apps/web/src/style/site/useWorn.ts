import type { Component, Site } from '@retoque/contract';
import { useMemo } from 'react';
import { engine } from '../../engine/engine';
import { tellWorn, wornKey } from '../../engine/worn';

/**
 * Tells the worker what a site wears, and gives what a component's answers depend on: a short text that is another
 * whenever another component wears something else.
 */
export function useWorn(
  { id: siteId, bounds, palette, finishes }: Site,
  kept: readonly Component[],
  own: string,
): string {
  return useMemo(() => {
    // Told before anything is asked: messages keep their order, and what is told twice is sent once.
    tellWorn(engine(), { siteId, bounds, palette, finishes, components: kept });
    return wornKey({ bounds, palette, finishes, components: kept.filter(({ id }) => id !== own) });
  }, [siteId, bounds, palette, finishes, kept, own]);
}
