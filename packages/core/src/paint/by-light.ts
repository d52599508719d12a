import { over } from '../colour/composite.js';
import { contrastRatio, luminance } from '../colour/contrast.js';
import type { Rgba } from '../colour/rgba.js';
import { once } from '../memo/once.js';
import type { SolidFill } from './fill.js';
import { COVERED, variesBy, type Measurement } from './measurement.js';
import type { SceneNode } from './scene-nodes.js';
import { nodesText, type SpreadColour } from './spread.js';

/** Opaque text and the plain colours between it and what varies; undefined where it is not so plain. */
export function opaqueInk(rest: readonly SceneNode[]): { ink: Rgba; veils: readonly SolidFill[] } | undefined {
  const mark = rest.at(-1);
  if (mark?.kind !== 'mark' || mark.fills.length !== 1) return undefined;
  const [ink] = mark.fills;
  if (ink?.kind !== 'solid' || ink.colour.alpha < 1) return undefined;
  const veils = rest.slice(0, -1);
  return veils.every((node) => node.kind === 'solid') ? { ink: ink.colour, veils } : undefined;
}

/** Colours under veils that were seen through lately: a veil stays while the text on it is tried in other colours. */
const veiled = once((_colours: readonly SpreadColour[]) => new Map<string, readonly SpreadColour[]>());
const MOST_VEILS = 12;

/** Colours as they are seen through veils. */
export function underVeils(colours: readonly SpreadColour[], veils: readonly SolidFill[]): readonly SpreadColour[] {
  if (!veils.length) return colours;
  const known = veiled(colours);
  const key = nodesText(veils);
  let found = known.get(key);
  if (!found) {
    found = colours.map((own) => ({
      ...own,
      colour: veils.reduce((below, veil) => over(veil.colour, below), own.colour),
    }));
    if (known.size >= MOST_VEILS) known.clear();
    known.set(key, found);
  }
  return found;
}

/** Colours from the darkest to the lightest, with how many pixels have them or darker ones. */
const byLight = once((colours: readonly SpreadColour[]) => {
  const sorted = colours.map((own) => ({ ...own, light: luminance(own.colour) })).sort((a, b) => a.light - b.light);
  let pixels = 0;
  const upTo = sorted.map(({ count }) => (pixels += count));
  return { sorted, upTo, pixels };
});

/** Contrast of one colour with many depends on their luminance alone: the nearest to it is the worst. */
export function measureByLight(
  colours: readonly SpreadColour[],
  ink: Rgba,
  nodes: readonly SceneNode[],
  needed: number,
): Measurement | typeof COVERED {
  const { sorted, upTo, pixels } = byLight(colours);
  if (!sorted.length) return COVERED;
  const own = luminance(ink);
  /** The first that is lighter than a limit, or as light. */
  const from = (limit: number, orEqual: boolean) => {
    let [low, high] = [0, sorted.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      const { light } = sorted[middle]!;
      if (light < limit || (!orEqual && light === limit)) low = middle + 1;
      else high = middle;
    }
    return low;
  };
  const ratioOf = (i: number) => contrastRatio(ink, sorted[i]!.colour);
  const at = from(own, true);
  const near = [at - 1, at].filter((i) => i >= 0 && i < sorted.length);
  const worstAt = near.reduce((best, i) => (ratioOf(i) < ratioOf(best) ? i : best), near[0]!);
  const best = Math.max(ratioOf(0), ratioOf(sorted.length - 1));
  const first = from((own + 0.05) / needed - 0.05, false);
  const last = from((own + 0.05) * needed - 0.05, true);
  const short = last > first ? upTo[last - 1]! - (upTo[first - 1] ?? 0) : 0;
  const { colour, x, y } = sorted[worstAt]!;
  return {
    worst: ratioOf(worstAt),
    best,
    foreground: ink,
    background: colour,
    at: { x, y },
    share: short / pixels,
    varies: variesBy(nodes),
  };
}
