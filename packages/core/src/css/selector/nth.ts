/** True when `position` (from 1) is in the series a·n + b for some n ≥ 0 (Selectors 4, section 13.3.1). */
export function inSeries(position: number, a: number, b: number): boolean {
  if (a === 0) return position === b;
  const n = (position - b) / a;
  return n >= 0 && Number.isInteger(n);
}
