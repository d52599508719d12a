import type { CssNode } from 'css-tree';
import { byComma, isTime, isWord, nodesOf, textOfNode } from './split.js';
import type { Shorthand } from './shorthand.js';

const EASINGS = ['linear', 'ease', 'ease-in', 'ease-out', 'ease-in-out', 'step-start', 'step-end'];
const EASING_FUNCTION = /^(cubic-bezier|steps|linear)$/i;
const DIRECTIONS = ['normal', 'reverse', 'alternate', 'alternate-reverse'];
const FILLS = ['none', 'forwards', 'backwards', 'both'];
const PLAYS = ['running', 'paused'];

interface Item {
  times: string[];
  easing?: string;
  count?: string;
  direction?: string;
  fill?: string;
  play?: string;
  name?: string;
}

/** Puts a term where it belongs, and where several could take it, to the first that has none yet. */
function take(item: Item, node: CssNode): boolean {
  const text = textOfNode(node);
  if (isTime(node)) return item.times.push(text) <= 2;
  if (!item.easing && (isWord(node, ...EASINGS) || (node.type === 'Function' && EASING_FUNCTION.test(node.name)))) {
    item.easing = text;
  } else if (!item.count && (node.type === 'Number' || isWord(node, 'infinite'))) item.count = text;
  else if (!item.direction && isWord(node, ...DIRECTIONS)) item.direction = text;
  else if (!item.fill && isWord(node, ...FILLS)) item.fill = text;
  else if (!item.play && isWord(node, ...PLAYS)) item.play = text;
  else if (!item.name && (node.type === 'Identifier' || node.type === 'String')) item.name = text;
  else return false;
  return true;
}

/** CSS Animations 1, section 4.10: of two times the first is the duration, and a name comes last where it could be a word. */
export const ANIMATION: Shorthand = {
  name: 'animation',
  longhands: [
    'animation-name',
    'animation-duration',
    'animation-timing-function',
    'animation-delay',
    'animation-iteration-count',
    'animation-direction',
    'animation-fill-mode',
    'animation-play-state',
    'animation-timeline',
  ],
  expand: (value) => {
    const items: Item[] = [];
    for (const nodes of byComma(nodesOf(value))) {
      const item: Item = { times: [] };
      if (!nodes.length || !nodes.every((node) => take(item, node))) return undefined;
      items.push(item);
    }
    const list = (pick: (item: Item) => string | undefined, initial: string) =>
      items.map((item) => pick(item) ?? initial).join(', ');
    return {
      'animation-name': list((item) => item.name, 'none'),
      'animation-duration': list((item) => item.times[0], '0s'),
      'animation-timing-function': list((item) => item.easing, 'ease'),
      'animation-delay': list((item) => item.times[1], '0s'),
      'animation-iteration-count': list((item) => item.count, '1'),
      'animation-direction': list((item) => item.direction, 'normal'),
      'animation-fill-mode': list((item) => item.fill, 'none'),
      'animation-play-state': list((item) => item.play, 'running'),
      // It cannot be said in the shorthand, which takes it back (CSS Animations 2, section 4.11).
      'animation-timeline': 'auto',
    };
  },
};
