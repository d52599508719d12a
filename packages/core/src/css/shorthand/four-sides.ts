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
  fourSides('scroll-margin', sides('scroll-margin-*')),
  fourSides('scroll-padding', sides('scroll-padding-*')),
];

/** One or two values for the two ends of an axis. */
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

const ends = (stem: string, tail = '') => {
  const name = (end: string) => `${stem}-${end}${tail}`;
  return twoSides(stem + tail, [name('start'), name('end')]);
};

export const TWO_SIDES: readonly Shorthand[] = [
  ...['margin', 'padding', 'inset', 'scroll-margin', 'scroll-padding'].flatMap((stem) =>
    ['inline', 'block'].map((axis) => ends(`${stem}-${axis}`)),
  ),
  ...['inline', 'block'].flatMap((axis) =>
    ['color', 'style', 'width'].map((what) => ends(`border-${axis}`, `-${what}`)),
  ),
  twoSides('overflow', ['overflow-x', 'overflow-y']),
  twoSides('overscroll-behavior', ['overscroll-behavior-x', 'overscroll-behavior-y']),
  twoSides('gap', ['row-gap', 'column-gap']),
];
