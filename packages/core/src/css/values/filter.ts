import type { CssNode } from 'css-tree';
import type { Computer } from './computer.js';
import type { ValueContext } from './context.js';
import { printNumber } from '../../base/number.js';
import { computeShadow } from './shadow.js';
import { numberOf } from './simple.js';
import { computeTerm } from './terms.js';
import { lookup } from '../../base/lookup.js';

/** Filter functions whose amount is a number, with what a missing one means (Filter Effects 1, section 6). */
const AMOUNTS: Readonly<Record<string, number>> = lookup({
  brightness: Infinity,
  contrast: Infinity,
  saturate: Infinity,
  grayscale: 1,
  invert: 1,
  opacity: 1,
  sepia: 1,
});

function computeOne(node: CssNode, context: ValueContext): string {
  if (node.type !== 'Function') return computeTerm(node, context);
  const name = node.name.toLowerCase();
  const inner = node.children.toArray();
  const most = AMOUNTS[name];
  if (most !== undefined) {
    const amount = inner.length ? (numberOf(inner[0], context) ?? 1) : 1;
    return `${name}(${printNumber(Math.min(most, Math.max(0, amount)))})`;
  }
  if (name === 'drop-shadow') return `${name}(${computeShadow(inner, 3, context)})`;
  if (name === 'blur' && !inner.length) return 'blur(0px)';
  if (name === 'hue-rotate' && !inner.length) return 'hue-rotate(0deg)';
  return computeTerm(node, context);
}

/** Filters in order, each with its amount said. */
export const FILTER: Computer = (nodes, context) => nodes.map((node) => computeOne(node, context)).join(' ');
