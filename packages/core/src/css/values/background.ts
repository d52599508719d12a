import type { CssNode } from 'css-tree';
import { isColourNode } from './colour.js';
import type { Computer } from './computer.js';
import { POSITIVE_LENGTH } from './length.js';
import { computeAxis, computePosition } from './position.js';
import { byComma, wordOf } from './split.js';
import { computeTerms } from './terms.js';

const layers =
  (compute: Computer): Computer =>
  (nodes, context) => {
    const all = byComma(nodes).map((layer) => compute(layer, context));
    return all.includes(undefined) ? undefined : all.join(', ');
  };

/** Pictures of every layer. */
export const IMAGES: Computer = layers((nodes, context) => computeTerms(nodes, context));

export const AXIS: Computer = layers((nodes, context) => computeAxis(nodes, context));

export const POSITION: Computer = (nodes, context) => computePosition(nodes, context)?.join(' ');
export const POSITIONS: Computer = layers(POSITION);

/** `auto auto` is `auto`, a lone length is followed by `auto` (CSS Backgrounds 3, section 2.9). */
export const BACKGROUND_SIZE: Computer = layers((nodes, context) => {
  const words = nodes.map(wordOf);
  if (words[0] === 'cover' || words[0] === 'contain') return words[0];
  const [across = 'auto', down = 'auto'] = nodes.map((node) => POSITIVE_LENGTH([node], context));
  return across === 'auto' && down === 'auto' ? 'auto' : `${across} ${down}`;
});

/** Two words for the two axes, or the one that stands for both (CSS Backgrounds 3, section 2.4). */
export const REPEAT: Computer = layers((nodes) => {
  const [across, down] = nodes.map(wordOf);
  if (down === undefined || across === down) return across;
  if (across === 'repeat' && down === 'no-repeat') return 'repeat-x';
  if (across === 'no-repeat' && down === 'repeat') return 'repeat-y';
  return `${across} ${down}`;
});

/** Paint of a shape: a colour, a reference, or both (SVG 2, section 13.2). */
export const PAINT: Computer = (nodes, context) => {
  const only = nodes.length === 1 ? nodes[0] : undefined;
  if (only && wordOf(only) === 'currentcolor') return 'currentcolor';
  return computeTerms(nodes, context, { colours: nodes.some((node: CssNode) => isColourNode(node)) });
};
