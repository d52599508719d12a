import { withSwatches } from '@retoque/core';
import { useMemo } from 'react';
import { useSwatches } from '../../look/swatch-names';

/** Values as a browser can paint them: with colours in place of the swatches that they name. */
export function useShownColours(): (text: string) => string {
  const swatches = useSwatches();
  return useMemo(() => {
    const known = new Map(swatches.map(({ id, css }) => [id, css]));
    return (text) => withSwatches(text, known) ?? 'transparent';
  }, [swatches]);
}
