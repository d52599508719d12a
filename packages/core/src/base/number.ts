/**
 * A number as Chromium serialises it (CSSOM, "serialize a CSS component value"): six significant digits, no trailing
 * zeros, an exponent only where it is needed.
 */
export function printNumber(value: number): string {
  if (Number.isNaN(value)) return 'NaN';
  if (!Number.isFinite(value)) return value > 0 ? 'infinity' : '-infinity';
  if (Number.isInteger(value) && Math.abs(value) < 1e6) return String(value === 0 ? 0 : value);
  const [mantissa, exponent] = value.toExponential(5).split('e') as [string, string];
  const power = Number(exponent);
  if (power < -5 || power >= 6) {
    return `${Number(mantissa)}e${power < 0 ? '-' : '+'}${String(Math.abs(power)).padStart(2, '0')}`;
  }
  const text = String(Number(value.toPrecision(6)));
  return text === '-0' ? '0' : text;
}
