/**
 * The share of a Gaussian that lies below a value, counted in standard deviations. Source: Abramowitz and Stegun, 7.1.26
 * (from memory; error under 1e-6).
 */
export function belowOf(value: number): number {
  const x = Math.abs(value) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const poly = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  const erf = 1 - poly * Math.exp(-x * x);
  return value >= 0 ? (1 + erf) / 2 : (1 - erf) / 2;
}
