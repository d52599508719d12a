const TERM = /([+-]?)\s*(\d*\.?\d+(?:e[+-]?\d+)?)(px|%|deg)?/gi;

/**
 * A computed length in pixels: `12px`, `50%`, or a sum such as `calc(100% - 12px)`.
 *
 * @param whole what 100% is, in pixels
 * @returns undefined for words and for units that computing did not resolve
 */
export function lengthIn(text: string, whole: number): number | undefined {
  const inner = /^calc\((.*)\)$/i.exec(text.trim())?.[1] ?? text.trim();
  let sum = 0;
  let end = 0;
  for (const match of inner.matchAll(TERM)) {
    if (inner.slice(end, match.index).trim() !== '') return undefined;
    end = match.index + match[0].length;
    const value = Number(match[2]) * (match[1] === '-' ? -1 : 1);
    if (match[3] === undefined && value !== 0) return undefined;
    sum += match[3] === '%' ? (value / 100) * whole : value;
  }
  return end > 0 && inner.slice(end).trim() === '' ? sum : undefined;
}
