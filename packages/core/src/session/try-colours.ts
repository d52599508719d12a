import { checkText, partCarriers, textCase, type TextCase } from '../check/text.js';
import { verdictOf } from '../check/verdict.js';
import { parseColour } from '../colour/parse.js';
import { TRANSPARENT, type Rgba } from '../colour/rgba.js';
import { COVERED, measureScene, type Measurement } from '../paint/measure.js';
import { grounded, marked, type Looking, type Scene } from '../paint/scene.js';
import type { ElementNode } from '../page/tree.js';

/** Which samples of a track pass in every column that follows a cell. */
export interface TrackSample {
  readonly colour: Rgba;
  readonly passes: boolean;
  readonly lowest: number | undefined;
}

/** A text that a colour of a part may change: the part's own, or one that stands on it. */
export interface TriedText {
  readonly looking: Looking;
  /** The part's element, whose colour is tried. */
  readonly element: ElementNode;
  readonly carrier: ElementNode;
  readonly pseudo: string | undefined;
}

/** A text that is judged, ready to be measured with other colours. */
export interface TriedCase {
  readonly text: TextCase;
  readonly needed: number;
  readonly takesColour: boolean;
  /** Whether the part's ground lies behind it. */
  readonly onGround: boolean;
}

const isWithin = (node: ElementNode, outer: ElementNode): boolean => {
  for (let at: ElementNode | undefined = node; at; at = at.parent) if (at === outer) return true;
  return false;
};

/** Texts of a part's element that are measured at all. */
export const triedTexts = (looking: Looking, element: ElementNode, pseudo: string | undefined): TriedText[] =>
  (pseudo === undefined ? partCarriers(element) : [element]).map((carrier) => ({ looking, element, carrier, pseudo }));

export function triedCase({ looking, element, carrier, pseudo }: TriedText): TriedCase | undefined {
  const { view } = looking;
  const check = checkText(looking, carrier, 'AA', pseudo);
  if (check.verdict === 'exempt' || check.verdict === 'unsure') return undefined;
  const onGround = isWithin(carrier, element);
  return {
    text: textCase(looking, carrier, pseudo, onGround ? element : undefined),
    needed: check.needed,
    // A child with a colour of its own does not take the part's.
    takesColour: carrier === element || view.of(carrier).text('color') === view.of(element).text('color'),
    onGround,
  };
}

/** One case with a colour of the part in place of its own. */
export function tryIn(
  { text, needed, takesColour, onGround }: TriedCase,
  property: string,
  colour: Rgba,
): Measurement | undefined {
  const { scene, areas, halo } = text;
  const nodes =
    property === 'color' && takesColour
      ? marked(scene.nodes, colour)
      : property === 'background-color' && onGround
        ? grounded(scene.nodes, colour)
        : scene.nodes;
  const tried: Scene = { ...scene, nodes };
  const found = measureScene(tried, areas, needed, halo);
  return found === COVERED ? undefined : found;
}

/** Whether every case passes with a colour of the part in place of its own. */
export const passesAll = (cases: readonly TriedCase[], property: string, colour: Rgba): boolean =>
  cases.every((tried) => {
    const found = tryIn(tried, property, colour);
    return !found || verdictOf(found, tried.needed) === 'passes';
  });

/**
 * Measures trial colours of a part.
 *
 * @param colours CSS colours; those that cannot be read never pass
 */
export function tryColours(property: string, cases: readonly TriedCase[], colours: readonly string[]): TrackSample[] {
  return colours.map((css) => {
    const colour = parseColour(css);
    if (!colour) return { colour: TRANSPARENT, passes: false, lowest: undefined };
    let lowest: number | undefined;
    let passes = cases.length > 0;
    for (const tried of cases) {
      const found = tryIn(tried, property, colour);
      if (!found) continue;
      if (lowest === undefined || found.worst < lowest) lowest = found.worst;
      if (verdictOf(found, tried.needed) !== 'passes') passes = false;
    }
    return { colour, passes, lowest };
  });
}
