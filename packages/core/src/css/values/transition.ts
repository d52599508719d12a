import { ident, type CssNode } from 'css-tree';
import type { Computer } from './computer.js';
import type { ValueContext } from './context.js';
import { printNumber } from '../../base/number.js';
import { numberOf } from './simple.js';
import { byComma, wordOf } from './split.js';
import { computeTerms } from './terms.js';

const list =
  (compute: Computer): Computer =>
  (nodes, context) =>
    byComma(nodes)
      .map((item) => compute(item, context))
      .join(', ');

/** Durations and delays, in seconds. */
export const TIMES: Computer = list((nodes, context) => computeTerms(nodes, context));

/** Words and numbers, one for each of a list. */
export const WORDS: Computer = TIMES;

/** Names of keyframes, whose case matters; a string is a name too, and CSSOM prints it without its quotes. */
export const ANIMATION_NAME: Computer = list((nodes) => {
  const [node] = nodes;
  if (node?.type === 'String') return ident.encode(node.value);
  if (node?.type !== 'Identifier') return undefined;
  return node.name.toLowerCase() === 'none' ? 'none' : node.name;
});

const isCustomName = (name: string) => name.startsWith('--');

/** Property names; those of CSS without regard to case. */
export const TRANSITION_PROPERTY: Computer = list((nodes) => {
  const [node] = nodes;
  if (node?.type !== 'Identifier') return undefined;
  const lower = node.name.toLowerCase();
  return isCustomName(node.name) || !KNOWN_NAME.test(lower) ? node.name : lower;
});
const KNOWN_NAME = /^-?[a-z]+(-[a-z]+)*$/;

function computeEasing(node: CssNode, context: ValueContext): string {
  if (node.type === 'Identifier') {
    const word = node.name.toLowerCase();
    if (word === 'step-start') return 'steps(1, start)';
    return word === 'step-end' ? 'steps(1)' : word;
  }
  if (node.type !== 'Function') return computeTerms([node], context);
  const name = node.name.toLowerCase();
  const groups = byComma(node.children.toArray());
  if (name === 'steps') {
    const place = wordOf(groups[1]?.[0]);
    const count = computeTerms(groups[0]!, context);
    return place === undefined || place === 'end' || place === 'jump-end'
      ? `steps(${count})`
      : `steps(${count}, ${place})`;
  }
  if (name === 'linear') return `linear(${linearPoints(groups, context)})`;
  return computeTerms([node], context);
}

/** Points of linear() with every place said (CSS Easing 2, section 2.2.1). */
function linearPoints(groups: readonly CssNode[][], context: ValueContext): string {
  const points: { value: number; place: number | undefined }[] = [];
  for (const group of groups) {
    const values = group.filter((node) => node.type === 'Number');
    const places = group.filter((node) => node.type === 'Percentage');
    const value = numberOf(values[0], context) ?? 0;
    if (!places.length) points.push({ value, place: undefined });
    for (const place of places) points.push({ value, place: (numberOf(place, context) ?? 0) * 100 });
  }
  if (points[0]) points[0].place ??= 0;
  const last = points.at(-1);
  if (last) last.place ??= 100;
  for (let i = 1; i < points.length; i++) {
    const point = points[i]!;
    const before = points[i - 1]!.place!;
    if (point.place === undefined) {
      let next = i;
      while (points[next]!.place === undefined) next++;
      point.place = before + (points[next]!.place! - before) / (next - i + 1);
    } else point.place = Math.max(point.place, before);
  }
  return points.map(({ value, place }) => `${printNumber(value)} ${printNumber(place!)}%`).join(', ');
}

export const EASINGS: Computer = list((nodes, context) => nodes.map((node) => computeEasing(node, context)).join(' '));
