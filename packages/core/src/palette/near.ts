import { difference } from '../colour/difference.js';
import { parseColour } from '../colour/parse.js';
import type { Rgba } from '../colour/rgba.js';

/** Up to here two colours look alike (ΔEOK × 100): the just noticeable difference of CSS Color 4, section 13.2. */
export const NEAR = 2;

/** Opacities that are taken for the same. */
const SAME_OPACITY = 0.005;

export const isNear = (a: Rgba, b: Rgba, most = NEAR): boolean =>
  Math.abs(a.alpha - b.alpha) <= SAME_OPACITY && difference({ ...a, alpha: 1 }, { ...b, alpha: 1 }) <= most;

/** A colour with how often it is used. */
export interface UsedColour {
  readonly css: string;
  readonly uses: number;
}

/** Colours that are nearly one, the most used first. */
export interface NearColours {
  readonly css: string;
  readonly uses: number;
  readonly near: readonly UsedColour[];
}

/** Colours gathered around those that are used most, none of a group farther from its first than `most`. */
export function gatherNear(colours: readonly UsedColour[], most = NEAR): NearColours[] {
  const groups: { first: UsedColour; colour: Rgba; near: UsedColour[] }[] = [];
  for (const own of [...colours].sort((a, b) => b.uses - a.uses)) {
    const colour = parseColour(own.css);
    if (!colour) continue;
    const group = groups.find((other) => isNear(other.colour, colour, most));
    if (group) group.near.push(own);
    else groups.push({ first: own, colour, near: [] });
  }
  return groups.map(({ first, near }) => ({
    css: first.css,
    uses: [first, ...near].reduce((sum, { uses }) => sum + uses, 0),
    near,
  }));
}
