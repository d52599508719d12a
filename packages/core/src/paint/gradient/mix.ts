import 'culori/css';
import { converter, parse, type Color } from 'culori/fn';
import { parseColour } from '../../colour/parse.js';
import { clamp01 } from '../../colour/rgba.js';
import { lookup } from '../../base/lookup.js';

/** Channels of premultiplied colour in gamma-encoded sRGB: red, green, blue, alpha, each 0 to 1. */
export type Premultiplied = readonly [number, number, number, number];

/** A colour between two: at 0 the first, at 1 the second. */
export type Mix = (share: number) => Premultiplied;

/** CSS Color 4, section 12.1: what is written in the older syntax is mixed in sRGB, anything else in OKLab. */
const LEGACY = /^(#|rgba?\(|hsla?\(|hwb\(|[a-z]+$)/i;

export const defaultSpace = (colours: readonly string[]): string =>
  colours.every((colour) => LEGACY.test(colour.trim())) ? 'srgb' : 'oklab';

/** Spaces as CSS calls them, as the library calls them, with their channels; a hue is not premultiplied. */
const SPACES: Readonly<Record<string, { mode: string; channels: readonly string[]; hue?: string }>> = lookup({
  srgb: { mode: 'rgb', channels: ['r', 'g', 'b'] },
  'srgb-linear': { mode: 'lrgb', channels: ['r', 'g', 'b'] },
  'display-p3': { mode: 'p3', channels: ['r', 'g', 'b'] },
  'a98-rgb': { mode: 'a98', channels: ['r', 'g', 'b'] },
  'prophoto-rgb': { mode: 'prophoto', channels: ['r', 'g', 'b'] },
  rec2020: { mode: 'rec2020', channels: ['r', 'g', 'b'] },
  lab: { mode: 'lab', channels: ['l', 'a', 'b'] },
  oklab: { mode: 'oklab', channels: ['l', 'a', 'b'] },
  xyz: { mode: 'xyz65', channels: ['x', 'y', 'z'] },
  'xyz-d50': { mode: 'xyz50', channels: ['x', 'y', 'z'] },
  'xyz-d65': { mode: 'xyz65', channels: ['x', 'y', 'z'] },
  hsl: { mode: 'hsl', channels: ['s', 'l'], hue: 'h' },
  hwb: { mode: 'hwb', channels: ['w', 'b'], hue: 'h' },
  lch: { mode: 'lch', channels: ['l', 'c'], hue: 'h' },
  oklch: { mode: 'oklch', channels: ['l', 'c'], hue: 'h' },
});

type Channels = Readonly<Record<string, number | undefined>>;

const toRgb = converter('rgb');

/** The arc from one hue to another. Source: CSS Color 4, section 12.4. */
function hueArc(from: number, to: number, method: string): number {
  const arc = to - from;
  if (method === 'increasing') return arc < 0 ? arc + 360 : arc;
  if (method === 'decreasing') return arc > 0 ? arc - 360 : arc;
  if (method === 'longer') return arc > 0 && arc < 180 ? arc - 360 : arc > -180 && arc <= 0 ? arc + 360 : arc;
  return arc > 180 ? arc - 360 : arc < -180 ? arc + 360 : arc;
}

/** Mixing in sRGB; the straight line that most gradients are. */
function mixSrgb(first: string, second: string): Mix | undefined {
  const a = parseColour(first);
  const b = parseColour(second);
  if (!a || !b) return undefined;
  const from = [a.r * a.alpha, a.g * a.alpha, a.b * a.alpha, a.alpha] as const;
  const to = [b.r * b.alpha, b.g * b.alpha, b.b * b.alpha, b.alpha] as const;
  return (share) => [
    from[0] + (to[0] - from[0]) * share,
    from[1] + (to[1] - from[1]) * share,
    from[2] + (to[2] - from[2]) * share,
    from[3] + (to[3] - from[3]) * share,
  ];
}

/** As many places between two colours are worked out where the way is no straight line. */
const STEPS = 256;

/**
 * Mixes two colours in a space, premultiplied. Source: CSS Color 4, section 12; a channel that one colour lacks is taken
 * from the other.
 *
 * @param interpolation what stands behind `in`: a space, and how hues are travelled
 * @returns undefined for a colour or space that is not known
 */
export function mixing(first: string, second: string, interpolation: string): Mix | undefined {
  const [name = 'srgb', method = 'shorter'] = interpolation.split(/\s+/);
  if (name === 'srgb') return mixSrgb(first, second);
  const space = SPACES[name];
  const a = parse(first);
  const b = parse(second);
  if (!space || !a || !b) return undefined;
  const into = converter(space.mode as 'rgb') as unknown as (colour: Color) => Channels;
  const from = into(a);
  const to = into(b);
  const [alphaA, alphaB] = [a.alpha ?? 1, b.alpha ?? 1];
  const arc =
    space.hue === undefined
      ? 0
      : hueArc(from[space.hue] ?? to[space.hue] ?? 0, to[space.hue] ?? from[space.hue] ?? 0, method);
  const at = (share: number): Premultiplied => {
    const alpha = alphaA + (alphaB - alphaA) * share;
    const mixed: Record<string, unknown> = { mode: space.mode, alpha };
    for (const channel of space.channels) {
      const start = (from[channel] ?? to[channel] ?? 0) * alphaA;
      const end = (to[channel] ?? from[channel] ?? 0) * alphaB;
      mixed[channel] = alpha ? (start + (end - start) * share) / alpha : 0;
    }
    if (space.hue !== undefined) mixed[space.hue] = (from[space.hue] ?? to[space.hue] ?? 0) + arc * share;
    const rgb = toRgb(mixed as unknown as Color);
    return [clamp01(rgb.r) * alpha, clamp01(rgb.g) * alpha, clamp01(rgb.b) * alpha, alpha];
  };
  const table: (Premultiplied | undefined)[] = [];
  const entry = (i: number) => (table[i] ??= at(i / STEPS));
  return (share) => {
    const place = share * STEPS;
    const i = Math.min(STEPS - 1, Math.floor(place));
    const [low, high] = [entry(i), entry(i + 1)];
    const rest = place - i;
    return [
      low[0] + (high[0] - low[0]) * rest,
      low[1] + (high[1] - low[1]) * rest,
      low[2] + (high[2] - low[2]) * rest,
      low[3] + (high[3] - low[3]) * rest,
    ];
  };
}
