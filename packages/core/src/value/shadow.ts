import type { CssNode } from 'css-tree';
import { byComma } from '../css/values/split.js';
import { printTerms } from './print.js';
import { isColourTerm, readTerms } from './terms.js';

/** One shadow; lengths and colour are CSS text. */
export interface Shadow {
  readonly inset: boolean;
  readonly x: string;
  readonly y: string;
  readonly blur: string;
  /** Boxes only; text has none. */
  readonly spread: string;
  /** Undefined takes the text colour. */
  readonly colour: string | undefined;
}

const isInset = (node: CssNode) => node.type === 'Identifier' && node.name.toLowerCase() === 'inset';

/**
 * The shadows of a value, the front one first; none for `none`.
 *
 * @returns undefined for what cannot be taken apart
 */
export function readShadows(text: string): Shadow[] | undefined {
  const nodes = readTerms(text);
  if (!nodes?.length) return nodes && [];
  const shadows = byComma(nodes).map((part): Shadow | undefined => {
    const colour = part.find(isColourTerm);
    const lengths = part.filter((node) => node !== colour && !isInset(node)).map((node) => printTerms([node]));
    if (lengths.length < 2 || lengths.length > 4) return undefined;
    const [x, y, blur = '0', spread = '0'] = lengths;
    return { inset: part.some(isInset), x: x!, y: y!, blur, spread, colour: colour && printTerms([colour]) };
  });
  return shadows.every((shadow) => shadow !== undefined) ? shadows : undefined;
}

const isZero = (text: string) => Number.parseFloat(text) === 0;

const printOne = ({ inset, x, y, blur, spread, colour }: Shadow): string =>
  [
    inset ? 'inset' : undefined,
    x,
    y,
    isZero(blur) && isZero(spread) ? undefined : blur,
    isZero(spread) ? undefined : spread,
    colour,
  ]
    .filter((term) => term !== undefined)
    .join(' ');

/** @returns `none` for an empty list */
export const printShadows = (shadows: readonly Shadow[]): string =>
  shadows.length ? shadows.map(printOne).join(', ') : 'none';
