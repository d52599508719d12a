import type { Computer } from './computer.js';
import { LENGTH } from './length.js';
import { computePosition } from './position.js';
import { printNumber } from '../../base/number.js';
import { numberOf } from './simple.js';
import { wordOf } from './split.js';

/** A point, and a depth where one is given (CSS Transforms 1, section 6). */
export const TRANSFORM_ORIGIN: Computer = (nodes, context) => {
  const depth = nodes.length === 3 ? LENGTH([nodes[2]!], context) : undefined;
  const point = computePosition(nodes.slice(0, 2), context);
  if (!point) return undefined;
  return [...point, ...(depth && depth !== '0px' ? [depth] : [])].join(' ');
};

/** One to three factors; those that are repeated or 1 are left out (CSS Transforms 2, section 5). */
export const SCALE: Computer = (nodes, context) => {
  if (wordOf(nodes[0]) === 'none') return 'none';
  const [x = 1, y = x, z = 1] = nodes.map((node) => numberOf(node, context) ?? 1);
  const kept = z !== 1 ? [x, y, z] : x !== y ? [x, y] : [x];
  return kept.map(printNumber).join(' ');
};

/** One to three distances; zeros at the end are left out. */
export const TRANSLATE: Computer = (nodes, context) => {
  if (wordOf(nodes[0]) === 'none') return 'none';
  const parts = nodes.map((node) => LENGTH([node], context) ?? '0px');
  while (parts.length > 1 && parts.at(-1) === '0px') parts.pop();
  return parts.join(' ');
};
