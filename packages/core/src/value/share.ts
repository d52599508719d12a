/** A share as CSS writes it, `0.4` or `40%`, kept between 0 and 1; 1 where it is neither. */
export function share(text: string): number {
  const value = Number.parseFloat(text);
  if (!Number.isFinite(value)) return 1;
  return Math.min(1, Math.max(0, text.trim().endsWith('%') ? value / 100 : value));
}
