import { generate, type CssNode, type FunctionNode } from 'css-tree';
import { evaluate, printAmount, single } from './calc.js';
import { computeColour, isColourNode } from './colour.js';
import type { ValueContext } from './context.js';
import { computePosition } from './position.js';
import { byComma, wordOf } from './split.js';

export const isGradient = (name: string): boolean =>
  /^(-webkit-)?(repeating-)?(linear|radial|conic)-gradient$/.test(name);

const measure = (node: CssNode, context: ValueContext, unit: '' | 'px' | 'deg' = 'px'): string => {
  const amount = evaluate(node, context);
  if (!amount) return generate(node).toLowerCase();
  const one = single(amount);
  return one?.unit === '' && one.value === 0 ? `0${unit}` : printAmount(amount);
};

const colourText = (node: CssNode, context: ValueContext): string => {
  const colour = computeColour(node, context);
  return colour === 'currentcolor' ? context.of.currentColour : (colour ?? generate(node));
};

/** A colour with its places, or a hint; a colour with two places is two stops (CSS Images 4, section 3.5.1). */
function computeStop(nodes: readonly CssNode[], context: ValueContext, unit: 'px' | 'deg'): string {
  const at = nodes.findIndex(isColourNode);
  const places = nodes.filter((_, i) => i !== at).map((node) => measure(node, context, unit));
  if (at < 0) return places.join(' ');
  const colour = colourText(nodes[at]!, context);
  return places.length ? places.map((place) => `${colour} ${place}`).join(', ') : colour;
}

/** The space in which colours are mixed, `in oklch longer hue`; taken out of the nodes before it is read. */
function takeSpace(nodes: CssNode[]): string | undefined {
  const at = nodes.findIndex((node) => wordOf(node) === 'in');
  if (at < 0) return undefined;
  const length = wordOf(nodes[at + 3]) === 'hue' ? 4 : 2;
  const words = nodes.splice(at, length).map((node) => generate(node).toLowerCase());
  const text = words.join(' ').replace(/ shorter hue$/, '');
  return text === 'in srgb' ? undefined : text;
}

const SIDES = ['left', 'right', 'top', 'bottom'];

function linearLine(nodes: readonly CssNode[], context: ValueContext): string | undefined {
  if (wordOf(nodes[0]) === 'to') {
    const sides = nodes.slice(1).map((node) => wordOf(node) ?? '');
    // Horizontal before vertical.
    sides.sort((a, b) => SIDES.indexOf(a) - SIDES.indexOf(b));
    return sides.join(' ') === 'bottom' ? undefined : `to ${sides.join(' ')}`;
  }
  const angle = nodes[0] && measure(nodes[0], context, 'deg');
  return angle === '180deg' ? undefined : angle;
}

const SHAPES = new Set(['circle', 'ellipse']);
const EXTENTS = new Set(['closest-side', 'closest-corner', 'farthest-side', 'farthest-corner']);

function takePlace(nodes: CssNode[], context: ValueContext): string | undefined {
  const at = nodes.findIndex((node) => wordOf(node) === 'at');
  if (at < 0) return undefined;
  const position = computePosition(nodes.splice(at).slice(1), context)?.join(' ');
  return position === '50% 50%' ? undefined : position;
}

function radialLine(nodes: CssNode[], context: ValueContext): string | undefined {
  const place = takePlace(nodes, context);
  const words = nodes.map((node) => wordOf(node));
  const circle = words.includes('circle');
  const extent = words.find((word) => word !== undefined && EXTENTS.has(word));
  const sizes = nodes.filter((_, i) => words[i] === undefined || !(SHAPES.has(words[i]!) || EXTENTS.has(words[i]!)));
  const parts: string[] = [];
  if (sizes.length) parts.push(...sizes.map((node) => measure(node, context)));
  else {
    if (circle) parts.push('circle');
    if (extent && extent !== 'farthest-corner') parts.push(extent);
  }
  if (place) parts.push('at', place);
  return parts.join(' ') || undefined;
}

function conicLine(nodes: CssNode[], context: ValueContext): string | undefined {
  const place = takePlace(nodes, context);
  const parts: string[] = [];
  if (wordOf(nodes[0]) === 'from' && nodes[1]) {
    const angle = measure(nodes[1], context, 'deg');
    if (angle !== '0deg') parts.push('from', angle);
  }
  if (place) parts.push('at', place);
  return parts.join(' ') || undefined;
}

/** A gradient as computed (CSS Images 4, section 3): what says nothing new is left out, as Chromium prints it. */
export function computeGradient(node: FunctionNode, context: ValueContext): string {
  const name = node.name.toLowerCase();
  const groups = byComma(node.children.toArray());
  const unit = name.includes('conic') ? 'deg' : 'px';
  const [first, ...rest] = groups as [CssNode[], ...CssNode[][]];
  const parts: string[] = [];
  const prefixed = name.startsWith('-webkit-');
  if (first.some(isColourNode)) parts.push(computeStop(first, context, unit));
  else if (prefixed) parts.push(first.map((item) => measure(item, context, 'deg')).join(' '));
  else {
    const line = [...first];
    const space = takeSpace(line);
    const shape = name.includes('linear')
      ? linearLine(line, context)
      : name.includes('radial')
        ? radialLine(line, context)
        : conicLine(line, context);
    const head = [shape, space].filter(Boolean).join(' ');
    if (head) parts.push(head);
  }
  for (const group of rest) {
    const isStop = group.some(isColourNode) || !prefixed;
    parts.push(isStop ? computeStop(group, context, unit) : group.map((item) => measure(item, context)).join(' '));
  }
  return `${name}(${parts.join(', ')})`;
}
