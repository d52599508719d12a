import type { CssNode } from 'css-tree';
import { byComma, isColour, isImage, isLengthLike, isWord, nodesOf, textOfNode, textOfNodes } from './split.js';
import { splitAxes } from '../values/position.js';
import type { Shorthand } from './shorthand.js';

const REPEAT = ['repeat', 'repeat-x', 'repeat-y', 'no-repeat', 'space', 'round'];
const ATTACHMENT = ['scroll', 'fixed', 'local'];
const BOX = ['border-box', 'padding-box', 'content-box', 'text', 'border-area'];
const POSITION = ['left', 'right', 'top', 'bottom', 'center'];
const SIZE = ['auto', 'cover', 'contain'];

interface Layer {
  image: string;
  repeat: string;
  attachment: string;
  origin: string;
  clip: string;
  position: CssNode[];
  size: string;
  colour?: string;
}

function readLayer(nodes: readonly CssNode[], last: boolean): Layer | undefined {
  const layer: Layer = {
    image: 'none',
    repeat: 'repeat',
    attachment: 'scroll',
    origin: 'padding-box',
    clip: 'border-box',
    position: [],
    size: 'auto',
  };
  const repeats: string[] = [];
  const boxes: string[] = [];
  const sizes: string[] = [];
  let afterSlash = false;
  if (!nodes.length) return undefined;
  for (const node of nodes) {
    if (node.type === 'Operator' && node.value === '/') {
      if (!layer.position.length) return undefined;
      afterSlash = true;
    } else if (afterSlash && sizes.length < 2 && (isLengthLike(node) || isWord(node, ...SIZE))) {
      sizes.push(textOfNode(node));
    } else if (isWord(node, ...REPEAT)) repeats.push(textOfNode(node));
    else if (isWord(node, ...ATTACHMENT)) layer.attachment = textOfNode(node);
    else if (isWord(node, ...BOX)) boxes.push(textOfNode(node));
    else if (isWord(node, 'none') || isImage(node)) layer.image = textOfNode(node);
    else if (!afterSlash && (isLengthLike(node) || isWord(node, ...POSITION))) layer.position.push(node);
    else if (last && layer.colour === undefined && isColour(node)) layer.colour = textOfNode(node);
    else return undefined;
  }
  if (afterSlash && !sizes.length) return undefined;
  if (repeats.length) layer.repeat = repeats.join(' ');
  if (boxes.length) {
    layer.origin = boxes[0]!;
    layer.clip = boxes[1] ?? boxes[0]!;
  }
  if (sizes.length) layer.size = sizes.join(' ');
  return layer;
}

/** The two axes of a position, as text; both start at zero where none is given. */
export function splitPosition(nodes: readonly CssNode[]): [string, string] | undefined {
  if (!nodes.length) return ['0%', '0%'];
  const axes = splitAxes(nodes);
  return axes && [textOfNodes(axes[0]), textOfNodes(axes[1])];
}

/** CSS Backgrounds 3, section 2.10: every layer of the picture, and one colour beneath. */
export const BACKGROUND: Shorthand = {
  name: 'background',
  longhands: [
    'background-color',
    'background-image',
    'background-position-x',
    'background-position-y',
    'background-size',
    'background-repeat',
    'background-attachment',
    'background-origin',
    'background-clip',
  ],
  expand: (value) => {
    const groups = byComma(nodesOf(value));
    const layers = groups.map((nodes, i) => readLayer(nodes, i === groups.length - 1));
    if (layers.some((layer) => !layer)) return undefined;
    const read = layers as Layer[];
    const positions = read.map((layer) => splitPosition(layer.position));
    if (positions.some((position) => !position)) return undefined;
    const list = (pick: (layer: Layer) => string) => read.map(pick).join(', ');
    return {
      'background-color': read.at(-1)!.colour ?? 'transparent',
      'background-image': list((layer) => layer.image),
      'background-position-x': positions.map((position) => position![0]).join(', '),
      'background-position-y': positions.map((position) => position![1]).join(', '),
      'background-size': list((layer) => layer.size),
      'background-repeat': list((layer) => layer.repeat),
      'background-attachment': list((layer) => layer.attachment),
      'background-origin': list((layer) => layer.origin),
      'background-clip': list((layer) => layer.clip),
    };
  },
};

export const BACKGROUND_POSITION: Shorthand = {
  name: 'background-position',
  longhands: ['background-position-x', 'background-position-y'],
  expand: (value) => {
    const positions = byComma(nodesOf(value)).map(splitPosition);
    if (positions.some((position) => !position)) return undefined;
    return {
      'background-position-x': positions.map((position) => position![0]).join(', '),
      'background-position-y': positions.map((position) => position![1]).join(', '),
    };
  },
};
