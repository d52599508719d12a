const TERM = /^([+-]?)((?:\d+(?:\.\d+)?|\.\d+)(?:e[+-]?\d+)?)(px|%|deg)?$/i;

/**
 * A computed length in pixels: `12px`, `50%`, or a sum such as `calc(100% - 12px)`.
 *
 * @param whole what 100% is, in pixels
 * @returns undefined for words and for units that computing did not resolve
 */
export function lengthIn(text: string, whole: number): number | undefined {
  const inner = /^calc\((.*)\)$/i.exec(text.trim())?.[1] ?? text.trim();
  let sum = 0;
  let sign = 1;
  let terms = 0;
  for (const word of inner.split(/\s+/)) {
    if (word === '+' || word === '-') {
      sign = word === '-' ? -1 : 1;
      continue;
    }
    const match = TERM.exec(word);
    if (!match) return undefined;
    const value = Number(match[2]) * (match[1] === '-' ? -1 : 1) * sign;
    if (match[3] === undefined && value !== 0) return undefined;
    sum += match[3] === '%' ? (value / 100) * whole : value;
    sign = 1;
    terms++;
  }
  return terms > 0 ? sum : undefined;
}
