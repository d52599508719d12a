import type { CssNode } from 'css-tree';
import { evaluate, printAmount, type Amount } from './calc.js';
import type { ValueContext } from './context.js';
import { wordOf } from './split.js';
import { lookup } from '../../base/lookup.js';

const SIDES: Readonly<Record<string, string>> = lookup({
  left: '0%',
  top: '0%',
  center: '50%',
  right: '100%',
  bottom: '100%',
  'x-start': '0%',
  'y-start': '0%',
  'x-end': '100%',
  'y-end': '100%',
});
const FAR = new Set(['right', 'bottom', 'x-end', 'y-end']);
const VERTICAL = new Set(['top', 'bottom', 'y-start', 'y-end']);
const HORIZONTAL = new Set(['left', 'right', 'x-start', 'x-end']);

const lengthAmount = (node: CssNode, context: ValueContext): Amount | undefined => {
  const amount = evaluate(node, context);
  if (amount?.terms.has('')) return { terms: new Map([['px', 0]]), open: amount.open };
  return amount;
};

/** One axis of a position: a side, an offset, or an offset from a side. */
export function computeAxis(nodes: readonly CssNode[], context: ValueContext): string | undefined {
  const [first, second] = nodes;
  const side = wordOf(first);
  if (side !== undefined && !second) return SIDES[side];
  if (side === undefined) {
    if (!first || second) return undefined;
    const amount = lengthAmount(first, context);
    return amount && printAmount(amount);
  }
  const offset = second && lengthAmount(second, context);
  if (!offset) return undefined;
  if (!FAR.has(side)) return printAmount(offset);
  const terms = new Map([...offset.terms].map(([unit, value]) => [unit, -value]));
  terms.set('%', (terms.get('%') ?? 0) + 100);
  return printAmount({ terms, open: offset.open.map(([factor, text]) => [-factor, text]) });
}

/** Splits a position of one to four parts into its axes (CSS Values 5, `<position>`). */
export function splitAxes(nodes: readonly CssNode[]): [CssNode[], CssNode[]] | undefined {
  const centre: CssNode = { type: 'Identifier', name: 'center' };
  const is = (node: CssNode, words: ReadonlySet<string>) => words.has(wordOf(node) ?? '');
  if (nodes.length === 0) return undefined;
  if (nodes.length === 1) return is(nodes[0]!, VERTICAL) ? [[centre], [nodes[0]!]] : [[nodes[0]!], [centre]];
  if (nodes.length === 2) {
    const [a, b] = nodes as [CssNode, CssNode];
    return is(a, VERTICAL) || is(b, HORIZONTAL) ? [[b], [a]] : [[a], [b]];
  }
  const groups: CssNode[][] = [];
  for (const node of nodes) {
    if (wordOf(node) !== undefined) groups.push([node]);
    else if (groups.length) groups.at(-1)!.push(node);
    else return undefined;
  }
  if (groups.length !== 2) return undefined;
  const [a, b] = groups as [CssNode[], CssNode[]];
  return is(a[0]!, VERTICAL) || is(b[0]!, HORIZONTAL) ? [b, a] : [a, b];
}

/** Both axes of a position, as computed text. */
export function computePosition(nodes: readonly CssNode[], context: ValueContext): [string, string] | undefined {
  const axes = splitAxes(nodes);
  const x = axes && computeAxis(axes[0], context);
  const y = axes && computeAxis(axes[1], context);
  return x !== undefined && y !== undefined ? [x, y] : undefined;
}
