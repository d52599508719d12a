import { over } from '../colour/composite.js';
import { contrastRatio } from '../colour/contrast.js';
import { nearestPassing, type Nearest } from '../colour/nearest.js';
import { parseColour } from '../colour/parse.js';
import type { Rgba } from '../colour/rgba.js';
import type { Swatch } from './swatch.js';

/** What a ratio suffices for (WCAG 2.2: 1.4.3 and 1.4.11 at level AA, 1.4.6 at AAA). */
export type Suffices = 'enhanced' | 'text' | 'large' | 'nothing';

export const NEEDED_FOR: Readonly<Record<Exclude<Suffices, 'nothing'>, number>> = { enhanced: 7, text: 4.5, large: 3 };

export const sufficesFor = (ratio: number): Suffices =>
  ratio >= NEEDED_FOR.enhanced
    ? 'enhanced'
    : ratio >= NEEDED_FOR.text
      ? 'text'
      : ratio >= NEEDED_FOR.large
        ? 'large'
        : 'nothing';

/** One swatch as text on another. */
export interface Pair {
  readonly text: Swatch;
  readonly ground: Swatch;
  /** Undefined on a ground that lets something through: what that is the swatches do not tell. */
  readonly ratio: number | undefined;
}

const colourOf = ({ css }: Swatch): Rgba => parseColour(css)!;

/** The contrast of text on a ground; undefined where the ground lets something through. */
export const ratioOn = (text: Rgba, ground: Rgba): number | undefined =>
  ground.alpha < 1 ? undefined : contrastRatio(over(text, ground), ground);

/** Every swatch as text on every swatch, row by row of the texts. */
export const pairsOf = (palette: readonly Swatch[]): Pair[][] =>
  palette.map((text) =>
    palette.map((ground): Pair => ({ text, ground, ratio: ratioOn(colourOf(text), colourOf(ground)) })),
  );

/** The smallest change of one of the two with which a pair passes. */
export interface PairRemedies {
  readonly text: Nearest | undefined;
  readonly ground: Nearest | undefined;
}

export function mendPair(text: Swatch, ground: Swatch, needed: number): PairRemedies {
  const [own, behind] = [colourOf(text), colourOf(ground)];
  const passes = (a: Rgba, b: Rgba) => (ratioOn(a, b) ?? 0) >= needed;
  return {
    text: nearestPassing(own, (colour) => passes(colour, behind)),
    ground: nearestPassing({ ...behind, alpha: 1 }, (colour) => passes(own, colour)),
  };
}
