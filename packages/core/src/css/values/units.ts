import type { ValueContext } from './context.js';
import { lookup } from '../../base/lookup.js';

/** Absolute lengths in CSS pixels (CSS Values 4, section 6.2). */
const ABSOLUTE: Readonly<Record<string, number>> = lookup({
  px: 1,
  in: 96,
  cm: 96 / 2.54,
  mm: 96 / 25.4,
  q: 96 / 101.6,
  pt: 96 / 72,
  pc: 16,
});

/** Other units by what they are printed in: degrees, seconds, dots per pixel (CSS Values 4, section 7). */
const OTHERS: Readonly<Record<string, readonly [string, number]>> = lookup({
  deg: ['deg', 1],
  grad: ['deg', 0.9],
  rad: ['deg', 180 / Math.PI],
  turn: ['deg', 360],
  s: ['s', 1],
  ms: ['s', 0.001],
  hz: ['hz', 1],
  khz: ['hz', 1000],
  dppx: ['dppx', 1],
  x: ['dppx', 1],
  dpi: ['dppx', 1 / 96],
  dpcm: ['dppx', 2.54 / 96],
  fr: ['fr', 1],
});

const VIEWPORT = /^[sld]?v(w|h|i|b|min|max)$/;
const CONTAINER = /^cq(w|h|i|b|min|max)$/;

function shareOf(axis: string, width: number, height: number): number {
  if (axis === 'w' || axis === 'i') return width / 100;
  if (axis === 'h' || axis === 'b') return height / 100;
  return (axis === 'min' ? Math.min(width, height) : Math.max(width, height)) / 100;
}

function fontUnit(unit: string, context: ValueContext): number | undefined {
  const { of } = context;
  switch (unit) {
    case 'em':
      return of.em;
    case 'rem':
      return of.rem;
    case 'lh':
      return of.lh;
    case 'rlh':
      return of.rlh;
    // Without metrics of the font the standard lets nobody assume (CSS Values 4, section 6.1.1), except for `ic`.
    case 'ic':
      return of.em;
    case 'ric':
      return of.rem;
    case 'ch':
      return of.metrics && of.metrics.zeroAdvance * of.em;
    case 'rch':
      return of.rootMetrics && of.rootMetrics.zeroAdvance * of.rem;
    case 'ex':
      return of.metrics && of.metrics.xHeight * of.em;
    case 'rex':
      return of.rootMetrics && of.rootMetrics.xHeight * of.rem;
    case 'cap':
      return of.metrics && of.metrics.capHeight * of.em;
    case 'rcap':
      return of.rootMetrics && of.rootMetrics.capHeight * of.rem;
  }
  return undefined;
}

/**
 * A dimension in its canonical unit: lengths in px, angles in deg, times in s, resolutions in dppx.
 *
 * @returns the amount and unit; an unresolved unit stays as it is and is reported to the context
 */
export function canonical(amount: number, rawUnit: string, context: ValueContext): readonly [number, string] {
  const unit = rawUnit.toLowerCase();
  const absolute = ABSOLUTE[unit];
  if (absolute !== undefined) return [amount * absolute, 'px'];
  const other = OTHERS[unit];
  if (other) return [amount * other[1], other[0]];
  const viewport = VIEWPORT.exec(unit);
  if (viewport) {
    const { width, height } = context.of.environment;
    return [amount * shareOf(viewport[1]!, width, height), 'px'];
  }
  const container = CONTAINER.exec(unit);
  if (container) {
    // Without a container the unit refers to the small viewport (CSS Conditional 5, section 7).
    const { width, height } = context.of.container;
    const axis = container[1]!;
    const share = shareOf(axis, width ?? NaN, height ?? NaN);
    if (!Number.isNaN(share)) return [amount * share, 'px'];
    context.of.unresolved(unit);
    return [amount, unit];
  }
  const factor = fontUnit(unit, context);
  if (factor !== undefined) return [amount * factor, 'px'];
  context.of.unresolved(unit);
  return [amount, unit];
}
