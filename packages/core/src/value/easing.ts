import { parseValue } from '../css/sheet/declaration.js';
import { printNumber } from '../base/number.js';
import { lookup } from '../base/lookup.js';

/** The curve of a change over its time: two handles, both between 0 and 1 across (CSS Easing 2, section 2.2). */
export interface Bezier {
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
}

/** Keywords and the curves that they stand for (CSS Easing 2, section 2.2.1). */
export const EASING_WORDS: Readonly<Record<string, Bezier>> = lookup({
  linear: { x1: 0, y1: 0, x2: 1, y2: 1 },
  ease: { x1: 0.25, y1: 0.1, x2: 0.25, y2: 1 },
  'ease-in': { x1: 0.42, y1: 0, x2: 1, y2: 1 },
  'ease-out': { x1: 0, y1: 0, x2: 0.58, y2: 1 },
  'ease-in-out': { x1: 0.42, y1: 0, x2: 0.58, y2: 1 },
});

/** @returns undefined for steps, and for curves of many points */
export function readBezier(text: string): Bezier | undefined {
  const word = EASING_WORDS[text.trim().toLowerCase()];
  if (word) return word;
  const nodes = parseValue(text.trim())?.children.toArray() ?? [];
  const [node] = nodes;
  if (nodes.length !== 1 || node?.type !== 'Function' || node.name.toLowerCase() !== 'cubic-bezier') return undefined;
  const numbers = node.children.toArray().flatMap((child) => (child.type === 'Number' ? [Number(child.value)] : []));
  const [x1, y1, x2, y2] = numbers;
  if (numbers.length !== 4 || x1! < 0 || x1! > 1 || x2! < 0 || x2! > 1) return undefined;
  return { x1: x1!, y1: y1!, x2: x2!, y2: y2! };
}

const same = (a: Bezier, b: Bezier) => a.x1 === b.x1 && a.y1 === b.y1 && a.x2 === b.x2 && a.y2 === b.y2;

/** A keyword where one stands for the curve. */
export function printBezier(curve: Bezier): string {
  const word = Object.entries(EASING_WORDS).find(([, own]) => same(own, curve))?.[0];
  if (word) return word;
  const { x1, y1, x2, y2 } = curve;
  return `cubic-bezier(${[x1, y1, x2, y2].map(printNumber).join(', ')})`;
}
