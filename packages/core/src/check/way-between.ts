import { contrastRatio } from '../colour/contrast.js';
import { over } from '../colour/composite.js';
import type { Rgba } from '../colour/rgba.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import { onceForText } from '../memo/once.js';
import { readBezier, type Bezier } from '../value/easing.js';
import type { Transition } from '../value/transition.js';
import { without, type Check } from './check.js';
import { millis, transitionsOf } from './motion.js';

/** Progress of a curve after a share of its time. Source: CSS Easing 2, section 2.2; solved by halving. */
export function progress({ x1, y1, x2, y2 }: Bezier, share: number): number {
  if (share <= 0) return 0;
  if (share >= 1) return 1;
  const at = (a: number, b: number, t: number) => 3 * a * t * (1 - t) ** 2 + 3 * b * t ** 2 * (1 - t) + t ** 3;
  let [low, high] = [0, 1];
  for (let i = 0; i < 16; i++) {
    const middle = (low + high) / 2;
    if (at(x1, x2, middle) < share) low = middle;
    else high = middle;
  }
  return at(y1, y2, (low + high) / 2);
}

const LINEAR: Bezier = { x1: 0, y1: 0, x2: 1, y2: 1 };

/** Progress of a curve as it is written, kept by the share of its time. */
const curveOf = onceForText((easing: string): ((share: number) => number) => {
  const curve = readBezier(easing) ?? LINEAR;
  const known = new Map<number, number>();
  return (share) => {
    let value = known.get(share);
    if (value === undefined) {
      if (known.size > MOST_SHARES) known.clear();
      known.set(share, (value = progress(curve, share)));
    }
    return value;
  };
});
const MOST_SHARES = 2000;

/** How far a property has come at each moment. */
function timing(transitions: readonly Transition[], property: string): { end: number; at: (ms: number) => number } {
  // Of several that name a property the last counts (CSS Transitions 1, section 2.1).
  const own = transitions.findLast((item) => item.property === property || item.property === 'all');
  const duration = own ? millis(own.duration) : 0;
  const delay = own ? millis(own.delay) : 0;
  if (!own || duration + delay <= 0) return { end: 0, at: () => 1 };
  const curve = curveOf(own.easing);
  return {
    end: duration + delay,
    at: (ms) => (ms < delay ? 0 : duration ? curve((ms - delay) / duration) : 1),
  };
}

/** Colours in between are mixed premultiplied (CSS Color 4, section 12.3). */
export function between(from: Rgba, to: Rgba, share: number): Rgba {
  const alpha = from.alpha + (to.alpha - from.alpha) * share;
  const mix = (a: number, b: number) => {
    const value = a * from.alpha + (b * to.alpha - a * from.alpha) * share;
    return alpha > 0 ? Math.min(1, Math.max(0, value / alpha)) : 0;
  };
  return { r: mix(from.r, to.r), g: mix(from.g, to.g), b: mix(from.b, to.b), alpha };
}

export interface Way {
  /** Lowest ratio on the way, and when it is reached, in milliseconds. */
  readonly lowest: number;
  readonly at: number;
  readonly foreground: Rgba;
  readonly background: Rgba;
  /** For how many milliseconds it is short. */
  readonly short: number;
  readonly lasts: number;
}

/** As often the way is looked at; a screen shows some 60 pictures a second, and most changes last less than one. */
const LOOKS = 60;

/**
 * What text and ground pass through while they change from one state to another.
 *
 * @param behindOf what lies behind the element's own ground
 */
export function wayBetween(
  from: ElementStyle,
  to: ElementStyle,
  behindOf: () => Rgba,
  needed: number,
): Way | undefined {
  const transitions = transitionsOf(to);
  const text = timing(transitions, 'color');
  const ground = timing(transitions, 'background-color');
  const lasts = Math.max(text.end, ground.end);
  if (!lasts || !Number.isFinite(lasts)) return undefined;
  const behind = behindOf();
  const [textFrom, textTo] = [from.colour('color'), to.colour('color')];
  const [groundFrom, groundTo] = [from.colour('background-color'), to.colour('background-color')];
  let lowest: Way | undefined;
  let short = 0;
  const step = lasts / LOOKS;
  for (let i = 0; i <= LOOKS; i++) {
    const ms = i * step;
    const background = over(between(groundFrom, groundTo, ground.at(ms)), behind);
    const foreground = over(between(textFrom, textTo, text.at(ms)), background);
    const ratio = contrastRatio(foreground, background);
    if (ratio < needed) short += step;
    if (!lowest || ratio < lowest.lowest) lowest = { lowest: ratio, at: ms, foreground, background, short: 0, lasts };
  }
  return lowest && { ...lowest, short: Math.round(Math.min(short, lasts)) };
}

/** Advice: both ends pass, and in between text and ground come too close. Nothing where nothing takes time. */
export function checkWay(
  from: ElementStyle,
  to: ElementStyle,
  behindOf: () => Rgba,
  needed: number,
): Check | undefined {
  const way = wayBetween(from, to, behindOf, needed);
  if (!way) return undefined;
  const behind = behindOf();
  const end = (style: ElementStyle) => {
    const background = over(style.colour('background-color'), behind);
    return contrastRatio(over(style.colour('color'), background), background);
  };
  // Where an end falls short by itself, its own check says so.
  const low = Math.min(end(from), end(to));
  const dips = way.lowest < needed && low >= needed;
  return {
    ...without('transition', 'exempt', needed, ''),
    verdict: dips ? 'short' : 'passes',
    measured: way.lowest,
    foreground: way.foreground,
    background: way.background,
    reason: dips
      ? `On the way it is short for ${way.short} of ${way.lasts} ms.`
      : `The change takes ${way.lasts} ms and stays readable.`,
  };
}
