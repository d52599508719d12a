import type { CssNode } from 'css-tree';
import { splitPosition } from './background.js';
import { byComma, isImage, isLengthLike, isWord, nodesOf, textOfNode } from './split.js';
import type { Shorthand } from './shorthand.js';

const REPEAT = ['repeat', 'repeat-x', 'repeat-y', 'no-repeat', 'space', 'round'];
const BOX = ['border-box', 'padding-box', 'content-box', 'fill-box', 'stroke-box', 'view-box'];
const COMPOSITE = ['add', 'subtract', 'intersect', 'exclude'];
const MODE = ['alpha', 'luminance', 'match-source'];
const PLACE = ['left', 'right', 'top', 'bottom', 'center'];

/** CSS Masking 1, section 7.8. */
export const MASK: Shorthand = {
  name: 'mask',
  longhands: ['image', 'position', 'size', 'repeat', 'origin', 'clip', 'composite', 'mode'].map(
    (name) => `mask-${name}`,
  ),
  expand: (value) => {
    const layers = byComma(nodesOf(value)).map((nodes) => {
      const position: CssNode[] = [];
      const sizes: string[] = [];
      const repeats: string[] = [];
      const boxes: string[] = [];
      const layer = { image: 'none', composite: 'add', mode: 'match-source', clip: undefined as string | undefined };
      let afterSlash = false;
      for (const node of nodes) {
        const text = textOfNode(node);
        if (node.type === 'Operator') afterSlash = true;
        else if (afterSlash && sizes.length < 2 && (isLengthLike(node) || isWord(node, 'auto', 'cover', 'contain')))
          sizes.push(text);
        else if (isWord(node, 'none') || isImage(node)) layer.image = text;
        else if (isWord(node, ...REPEAT)) repeats.push(text);
        else if (isWord(node, 'no-clip')) layer.clip = text;
        else if (isWord(node, ...BOX)) boxes.push(text);
        else if (isWord(node, ...COMPOSITE)) layer.composite = text;
        else if (isWord(node, ...MODE)) layer.mode = text;
        else if (isLengthLike(node) || isWord(node, ...PLACE)) position.push(node);
        else return undefined;
      }
      const place = splitPosition(position);
      if (!place) return undefined;
      return {
        ...layer,
        position: place.join(' '),
        size: sizes.join(' ') || 'auto',
        repeat: repeats.join(' ') || 'repeat',
        origin: boxes[0] ?? 'border-box',
        clip: layer.clip ?? boxes[1] ?? boxes[0] ?? 'border-box',
      };
    });
    if (layers.includes(undefined)) return undefined;
    const read = layers as NonNullable<(typeof layers)[number]>[];
    const list = (pick: (layer: (typeof read)[number]) => string) => read.map(pick).join(', ');
    return {
      'mask-image': list((layer) => layer.image),
      'mask-position': list((layer) => layer.position),
      'mask-size': list((layer) => layer.size),
      'mask-repeat': list((layer) => layer.repeat),
      'mask-origin': list((layer) => layer.origin),
      'mask-clip': list((layer) => layer.clip),
      'mask-composite': list((layer) => layer.composite),
      'mask-mode': list((layer) => layer.mode),
    };
  },
};
