import type { CssNode } from 'css-tree';
import { evaluate, single } from './calc.js';
import { computeColour } from './colour.js';
import type { Computer } from './computer.js';
import type { ValueContext } from './context.js';
import { printNumber } from '../../base/number.js';
import { bySlash, wordOf } from './split.js';
import { computeTerms } from './terms.js';

/** Words, numbers, strings and functions as they stand, in computed form. */
export const TERMS: Computer = (nodes, context) => computeTerms(nodes, context);
/** The same where words are names of the author's, whose case matters. */
export const NAMES: Computer = (nodes, context) => computeTerms(nodes, context, { keepCase: true });
/** Plain zeros are lengths. */
export const LENGTH_TERMS: Computer = (nodes, context) => computeTerms(nodes, context, { numberUnit: 'px' });

/** A colour; words such as `auto` and `none` stay. */
export const COLOUR: Computer = (nodes, context) =>
  nodes.length === 1
    ? (computeColour(nodes[0]!, context) ?? computeTerms(nodes, context))
    : computeTerms(nodes, context, { colours: true });

export const numberOf = (node: CssNode | undefined, context: ValueContext): number | undefined => {
  const one = node && evaluate(node, context);
  const value = one && single(one);
  if (value?.unit === '') return value.value;
  return value?.unit === '%' ? value.value / 100 : undefined;
};

/** A number or percentage between 0 and 1, printed as a number. */
export const SHARE: Computer = (nodes, context) => {
  const value = numberOf(nodes[0], context);
  return value === undefined ? undefined : printNumber(Math.min(1, Math.max(0, value)));
};

export const NUMBER: Computer = (nodes, context) => {
  const value = numberOf(nodes[0], context);
  return value === undefined ? computeTerms(nodes, context) : printNumber(value);
};

/** Halves are rounded up (CSS Values 4, section 5.2.1). */
export const INTEGER: Computer = (nodes, context) => {
  const value = numberOf(nodes[0], context);
  return value === undefined ? computeTerms(nodes, context) : printNumber(Math.floor(value + 0.5));
};

/** CSS Sizing 4, section 5.1: `auto`, a ratio, or both. */
export const ASPECT_RATIO: Computer = (nodes, context) => {
  const auto = nodes.some((node) => wordOf(node) === 'auto');
  const ratio = nodes.flatMap((node): CssNode[] =>
    node.type === 'Ratio'
      ? [
          node.left as CssNode,
          ...(node.right ? [{ type: 'Operator', value: '/' } as CssNode, node.right as CssNode] : []),
        ]
      : wordOf(node) === 'auto'
        ? []
        : [node],
  );
  if (!ratio.length) return 'auto';
  const [width, height] = bySlash(ratio).map((group) => numberOf(group[0], context));
  if (width === undefined) return undefined;
  return `${auto ? 'auto ' : ''}${printNumber(width)} / ${printNumber(height ?? 1)}`;
};
