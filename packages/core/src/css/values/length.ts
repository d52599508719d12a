import type { CssNode } from 'css-tree';
import { evaluate, printAmount, single, type Amount } from './calc.js';
import type { Computer } from './computer.js';
import type { ValueContext } from './context.js';
import { printNumber } from '../../base/number.js';
import { wordOf } from './split.js';
import { computeTerms } from './terms.js';
import { lookup } from '../../base/lookup.js';

/** A number where a length is meant: zero, or any in quirks mode, counts as pixels. */
function asLength(amount: Amount): Amount {
  const one = single(amount);
  return one?.unit === '' ? { terms: new Map([['px', one.value]]), open: [] } : amount;
}

const printLength = (node: CssNode, context: ValueContext, least: number): string | undefined => {
  const amount = evaluate(node, context);
  if (!amount) return undefined;
  const length = asLength(amount);
  const one = single(length);
  // A calculation is clamped to the range that the property takes (CSS Values 4, section 10.12).
  if (one && one.value < least) return `${least}${one.unit}`;
  return printAmount(length);
};

const lengths =
  (least: number): Computer =>
  (nodes, context) =>
    nodes.map((node) => printLength(node, context, least) ?? computeTerms([node], context)).join(' ');

/** Lengths, percentages and keywords; several are kept in order. */
export const LENGTH = lengths(-Infinity);
/** The same, never below zero. */
export const POSITIVE_LENGTH = lengths(0);

/** Widths given by vendor words that Chromium reads as newer ones. */
const SIZE_WORDS: Readonly<Record<string, string>> = lookup({
  '-webkit-fill-available': 'stretch',
  '-webkit-fit-content': 'fit-content',
  '-webkit-max-content': 'max-content',
  '-webkit-min-content': 'min-content',
  intrinsic: 'max-content',
  'min-intrinsic': 'min-content',
});

export const SIZE: Computer = (nodes, context) => {
  const [only] = nodes;
  const word = only?.type === 'Identifier' ? SIZE_WORDS[only.name.toLowerCase()] : undefined;
  return word ?? POSITIVE_LENGTH(nodes, context);
};

/** Two radii, printed as one where they agree (CSS Backgrounds 3, section 4.1). */
export const RADIUS: Computer = (nodes, context) => {
  const [across, down = across] = nodes.map((node) => printLength(node, context, 0) ?? '0px');
  return across === down ? across : `${across} ${down}`;
};

/** Two distances; one stands for both. */
export const SPACING_PAIR: Computer = (nodes, context) => {
  const [across, down = across] = nodes.map((node) => printLength(node, context, 0) ?? '0px');
  return across === down ? across : `${across} ${down}`;
};

const LINE_WIDTHS: Readonly<Record<string, number>> = lookup({ thin: 1, medium: 3, thick: 5 });

/** Widths snap to whole device pixels, at least one when not zero (CSS Backgrounds 4, section 3.3). */
export const LINE_WIDTH: Computer = (nodes, context) => {
  const [node] = nodes;
  if (!node) return undefined;
  const word = node.type === 'Identifier' ? LINE_WIDTHS[node.name.toLowerCase()] : undefined;
  const amount = word === undefined ? evaluate(node, context) : undefined;
  const px = word ?? (amount && single(asLength(amount))?.value);
  if (px === undefined) return computeTerms(nodes, context);
  const { resolution } = context;
  const dots = px * resolution;
  const snapped = dots > 0 && dots < 1 ? 1 : Math.floor(dots);
  return `${printNumber(snapped / resolution)}px`;
};

/** Widths of strokes take the same words and do not snap. */
export const STROKE_WIDTH: Computer = (nodes, context) => {
  const word = wordOf(nodes[0]);
  const px = word === undefined ? undefined : LINE_WIDTHS[word];
  return px === undefined ? POSITIVE_LENGTH(nodes, context) : `${px}px`;
};

/** Snaps toward zero, at least one device pixel when not zero. */
export const OUTLINE_OFFSET: Computer = (nodes, context) => {
  const amount = nodes[0] && evaluate(nodes[0], context);
  const px = amount && single(asLength(amount))?.value;
  if (px === undefined) return computeTerms(nodes, context);
  const size = Math.abs(px);
  return `${printNumber(Math.sign(px) * (size > 0 && size < 1 ? 1 : Math.floor(size)))}px`;
};
