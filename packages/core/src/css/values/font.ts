import { ident, string as cssString, type CssNode } from 'css-tree';
import { evaluate, single } from './calc.js';
import type { Computer } from './computer.js';
import type { ValueContext } from './context.js';
import { printNumber } from '../../base/number.js';
import { numberOf } from './simple.js';
import { byComma, wordOf } from './split.js';
import { computeTerms } from './terms.js';
import { lookup } from '../../base/lookup.js';

/** Absolute sizes for a medium of 16 px (CSS Fonts 4, section 2.5.1), and for the 13 px of a lone `monospace`. */
const SIZES: Readonly<Record<string, readonly [number, number]>> = lookup({
  'xx-small': [9, 9],
  'x-small': [10, 10],
  small: [13, 12],
  medium: [16, 13],
  large: [18, 16],
  'x-large': [24, 20],
  'xx-large': [32, 26],
  'xxx-large': [48, 39],
});

/**
 * A font size as it is inherited. Browsers keep whether it comes from a keyword or is absolute, since a lone
 * `monospace` family changes those that are not.
 */
export interface FontSize {
  readonly px: number;
  readonly keyword: string | undefined;
  readonly absolute: boolean;
}

export const MEDIUM: FontSize = { px: 16, keyword: 'medium', absolute: false };

/** Size of the default font by the size of a lone `monospace`: 13 of 16. */
const FIXED_SHARE = 13 / 16;

/** A declared size; undefined when it cannot be known. `context` refers to the parent's size. */
export function readFontSize(
  nodes: readonly CssNode[],
  parent: FontSize,
  monospace: boolean,
  context: ValueContext,
): FontSize | undefined {
  const [node] = nodes;
  const word = wordOf(node);
  if (word !== undefined && SIZES[word]) {
    return { px: SIZES[word][monospace ? 1 : 0], keyword: word, absolute: false };
  }
  if (word === 'larger') return { px: parent.px * 1.2, keyword: undefined, absolute: parent.absolute };
  if (word === 'smaller') return { px: parent.px / 1.2, keyword: undefined, absolute: parent.absolute };
  const amount = node && evaluate(node, context);
  if (!amount || amount.open.length) return undefined;
  let px = 0;
  for (const [unit, value] of amount.terms) {
    if (unit === '%') px += (value * parent.px) / 100;
    else if (unit === 'px' || unit === '') px += value;
    else return undefined;
  }
  const relative =
    node.type === 'Percentage' || (node.type === 'Dimension' && /^(r?(em|ex|ch|ic|cap|lh))$/i.test(node.unit));
  return { px: Math.min(10_000, Math.max(0, px)), keyword: undefined, absolute: parent.absolute || !relative };
}

/** What an inherited size becomes when the family changes to or from a lone `monospace`, as browsers do. */
export function adjustForFamily(size: FontSize, wasMonospace: boolean, isMonospace: boolean): FontSize {
  if (size.absolute || wasMonospace === isMonospace) return size;
  const px = size.keyword
    ? SIZES[size.keyword]![isMonospace ? 1 : 0]
    : isMonospace
      ? size.px * FIXED_SHARE
      : size.px / FIXED_SHARE;
  return { ...size, px };
}

/** Font weight as a number; `bolder` and `lighter` step as CSS Fonts 4, section 2.2.1 gives. */
export function readFontWeight(nodes: readonly CssNode[], parent: number, context: ValueContext): number {
  switch (wordOf(nodes[0])) {
    case 'normal':
      return 400;
    case 'bold':
      return 700;
    case 'bolder':
      return parent < 350 ? 400 : parent < 550 ? 700 : parent < 900 ? 900 : parent;
    case 'lighter':
      return parent < 100 ? parent : parent < 550 ? 100 : parent < 750 ? 400 : 700;
  }
  const value = numberOf(nodes[0], context) ?? 400;
  return Math.min(1000, Math.max(1, value));
}

const GENERIC = new Set(
  `serif sans-serif monospace cursive fantasy system-ui math ui-serif ui-sans-serif ui-monospace ui-rounded emoji
   -webkit-body -apple-system blinkmacsystemfont fangsong`.split(/\s+/),
);
/** Names kept as they are written though they name no generic family. */
const KEPT: Readonly<Record<string, string>> = lookup({ blinkmacsystemfont: 'BlinkMacSystemFont' });

const isIdent = (name: string) => /^-?[a-z_\u0080-\uffff][\w\u0080-\uffff-]*$/i.test(name);

/** Families: words of one name joined, names that are no identifiers quoted. */
export const FONT_FAMILY: Computer = (nodes) => {
  const families = byComma(nodes).map((group) => {
    const [only] = group;
    if (only?.type === 'String') {
      const name = only.value;
      return isIdent(name) && !GENERIC.has(name.toLowerCase()) ? name : cssString.encode(name);
    }
    const name = group.map((node) => (node.type === 'Identifier' ? ident.decode(node.name) : '')).join(' ');
    const lower = name.toLowerCase();
    if (GENERIC.has(lower)) return KEPT[lower] ?? lower;
    return isIdent(name) ? name : cssString.encode(name);
  });
  return families.join(', ');
};

const STRETCHES: Readonly<Record<string, number>> = lookup({
  'ultra-condensed': 50,
  'extra-condensed': 62.5,
  condensed: 75,
  'semi-condensed': 87.5,
  normal: 100,
  'semi-expanded': 112.5,
  expanded: 125,
  'extra-expanded': 150,
  'ultra-expanded': 200,
});

export const FONT_STRETCH: Computer = (nodes, context) => {
  const word = wordOf(nodes[0]);
  if (word !== undefined) return STRETCHES[word] === undefined ? word : `${STRETCHES[word]}%`;
  const value = numberOf(nodes[0], context);
  return value === undefined ? undefined : `${printNumber(Math.max(0, value * 100))}%`;
};

/** Settings in order of their tags, the value 1 left out (CSS Fonts 4, section 6.12). */
export const FEATURES: Computer = (nodes, context) => {
  if (wordOf(nodes[0])) return wordOf(nodes[0]);
  const settings = byComma(nodes).map((group) => {
    const tag = group[0]?.type === 'String' ? group[0].value : '';
    const value = wordOf(group[1]) === 'off' ? 0 : wordOf(group[1]) === 'on' ? 1 : (numberOf(group[1], context) ?? 1);
    return [tag, value] as const;
  });
  settings.sort((a, b) => (a[0] < b[0] ? -1 : 1));
  return settings.map(([tag, value]) => `"${tag}"${value === 1 ? '' : ` ${printNumber(value)}`}`).join(', ');
};

export const VARIATIONS: Computer = (nodes, context) => {
  if (wordOf(nodes[0])) return wordOf(nodes[0]);
  const settings = byComma(nodes).map((group) => computeTerms(group, context));
  return settings.sort().join(', ');
};

/** Computed line height: `normal`, a number that multiplies the font size, or a length. */
export const LINE_HEIGHT: Computer = (nodes, context) => {
  if (wordOf(nodes[0]) === 'normal') return 'normal';
  const amount = nodes[0] && evaluate(nodes[0], context);
  const one = amount && single(amount);
  if (one?.unit === '') return printNumber(Math.max(0, one.value));
  if (one?.unit === '%') return `${printNumber((Math.max(0, one.value) * context.of.em) / 100)}px`;
  if (amount && !amount.open.length) {
    let px = 0;
    for (const [unit, value] of amount.terms) px += unit === '%' ? (value * context.of.em) / 100 : value;
    return `${printNumber(Math.max(0, px))}px`;
  }
  return computeTerms(nodes, context);
};
