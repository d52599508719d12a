import { nodesOf, textOfNode } from './split.js';
import type { Shorthand } from './shorthand.js';

/** One to four values for top, right, bottom and left (CSS Box 4, section 3.2). */
function fourSides(name: string, longhands: readonly [string, string, string, string]): Shorthand {
  return {
    name,
    longhands,
    expand: (value) => {
      const parts = nodesOf(value).map(textOfNode);
      if (parts.length < 1 || parts.length > 4) return undefined;
      const [top, right = top, bottom = top, left = right] = parts as [string, ...string[]];
      return { [longhands[0]]: top, [longhands[1]]: right, [longhands[2]]: bottom, [longhands[3]]: left };
    },
  };
}

const sides = (pattern: string) =>
  ['top', 'right', 'bottom', 'left'].map((side) => pattern.replace('*', side)) as [string, string, string, string];

export const FOUR_SIDES: readonly Shorthand[] = [
  fourSides('margin', sides('margin-*')),
  fourSides('padding', sides('padding-*')),
  fourSides('inset', sides('*')),
  fourSides('border-width', sides('border-*-width')),
  fourSides('border-style', sides('border-*-style')),
  fourSides('border-color', sides('border-*-color')),
];

/** One or two values for the two sides of an axis; in horizontal, left-to-right writing (see docs). */
function twoSides(name: string, longhands: readonly [string, string]): Shorthand {
  return {
    name,
    longhands,
    expand: (value) => {
      const parts = nodesOf(value).map(textOfNode);
      if (parts.length < 1 || parts.length > 2) return undefined;
      return { [longhands[0]]: parts[0]!, [longhands[1]]: parts[1] ?? parts[0]! };
    },
  };
}

export const TWO_SIDES: readonly Shorthand[] = [
  twoSides('margin-inline', ['margin-left', 'margin-right']),
  twoSides('margin-block', ['margin-top', 'margin-bottom']),
  twoSides('padding-inline', ['padding-left', 'padding-right']),
  twoSides('padding-block', ['padding-top', 'padding-bottom']),
  twoSides('inset-inline', ['left', 'right']),
  twoSides('inset-block', ['top', 'bottom']),
  twoSides('overflow', ['overflow-x', 'overflow-y']),
  twoSides('gap', ['row-gap', 'column-gap']),
  twoSides('grid-gap', ['row-gap', 'column-gap']),
];
