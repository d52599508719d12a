import { generate, type CssNode } from 'css-tree';
import { computeColour, isColourNode } from './colour.js';
import type { Computer } from './computer.js';
import type { ValueContext } from './context.js';
import { LENGTH } from './length.js';
import { byComma, wordOf } from './split.js';

/** One shadow: its colour first, every length said, `inset` last (CSSOM's order). */
export function computeShadow(nodes: readonly CssNode[], lengths: number, context: ValueContext): string {
  const colourNode = nodes.find(isColourNode);
  const inset = nodes.some((node) => wordOf(node) === 'inset');
  const measures = nodes
    .filter((node) => node !== colourNode && wordOf(node) !== 'inset')
    .map((node) => LENGTH([node], context) ?? '0px');
  while (measures.length < lengths) measures.push('0px');
  const colour = colourNode ? computeColour(colourNode, context) : 'currentcolor';
  const text = colour === 'currentcolor' ? context.of.currentColour : (colour ?? generate(colourNode!));
  return [text, ...measures, ...(inset ? ['inset'] : [])].join(' ');
}

const shadows =
  (lengths: number): Computer =>
  (nodes, context) =>
    wordOf(nodes[0]) === 'none'
      ? 'none'
      : byComma(nodes)
          .map((shadow) => computeShadow(shadow, lengths, context))
          .join(', ');

export const BOX_SHADOW = shadows(4);
export const TEXT_SHADOW = shadows(3);
