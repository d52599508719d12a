import { ratioOf, textCase, checkText, partCarriers, type TextCase } from '../check/text.js';
import { parseColour } from '../colour/parse.js';
import { TRANSPARENT, type Rgba } from '../colour/rgba.js';
import type { StyledPage } from '../css/styles.js';
import type { ElementNode } from '../page/tree.js';

/** Which samples of a track pass in every column that follows a cell. */
export interface TrackSample {
  readonly colour: Rgba;
  readonly passes: boolean;
  readonly lowest: number | undefined;
}

/** A text that a colour of a part may change: the part's own, or one that stands on it. */
export interface TriedText {
  readonly view: StyledPage;
  /** The part's element, whose colour is tried. */
  readonly element: ElementNode;
  readonly carrier: ElementNode;
  readonly pseudo: string | undefined;
}

interface Case {
  readonly text: TextCase;
  readonly needed: number;
  readonly takesColour: boolean;
  /** Place of the part's ground among the layers; undefined where the text does not stand on it. */
  readonly ground: number | undefined;
}

const depthOf = (element: ElementNode): number => {
  let depth = 0;
  for (let node = element.parent; node; node = node.parent) depth++;
  return depth;
};

const isWithin = (node: ElementNode, outer: ElementNode): boolean => {
  for (let at: ElementNode | undefined = node; at; at = at.parent) if (at === outer) return true;
  return false;
};

/** Texts of a part's element that are measured at all. */
export const triedTexts = (view: StyledPage, element: ElementNode, pseudo: string | undefined): TriedText[] =>
  (pseudo === undefined ? partCarriers(element) : [element]).map((carrier) => ({ view, element, carrier, pseudo }));

function caseOf({ view, element, carrier, pseudo }: TriedText): Case | undefined {
  const check = checkText(view, carrier, 'AA', pseudo);
  if (check.verdict === 'exempt' || check.verdict === 'unsure') return undefined;
  return {
    text: textCase(view, carrier, pseudo),
    needed: check.needed,
    // A child with a colour of its own does not take the part's.
    takesColour: carrier === element || view.of(carrier).text('color') === view.of(element).text('color'),
    ground: isWithin(carrier, element) ? depthOf(element) : undefined,
  };
}

/**
 * Measures trial colours of a part.
 *
 * @param colours CSS colours; those that cannot be read never pass
 */
export function tryColours(property: string, texts: readonly TriedText[], colours: readonly string[]): TrackSample[] {
  const cases = texts.flatMap((text) => caseOf(text) ?? []);
  return colours.map((css) => {
    const colour = parseColour(css);
    if (!colour) return { colour: TRANSPARENT, passes: false, lowest: undefined };
    let lowest: number | undefined;
    let passes = cases.length > 0;
    for (const { text, needed, takesColour, ground } of cases) {
      const tried =
        property === 'color' && takesColour
          ? { colour, layers: text.layers }
          : property === 'background-color' && ground !== undefined
            ? {
                colour: text.colour,
                layers: text.layers.map((layer, i) => (i === ground ? { ...layer, ground: colour } : layer)),
              }
            : text;
      const { ratio } = ratioOf(tried);
      if (lowest === undefined || ratio < lowest) lowest = ratio;
      if (ratio < needed) passes = false;
    }
    return { colour, passes, lowest };
  });
}
