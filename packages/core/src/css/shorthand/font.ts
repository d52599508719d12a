import type { CssNode } from 'css-tree';
import { isLengthLike, isWord, nodesOf, textOfNode } from './split.js';
import type { Shorthand } from './shorthand.js';

const SIZES = [
  'xx-small',
  'x-small',
  'small',
  'medium',
  'large',
  'x-large',
  'xx-large',
  'xxx-large',
  'larger',
  'smaller',
];
const STRETCH = [
  ...['ultra-condensed', 'extra-condensed', 'condensed', 'semi-condensed'],
  ...['semi-expanded', 'expanded', 'extra-expanded', 'ultra-expanded'],
];
const SYSTEM = ['caption', 'icon', 'menu', 'message-box', 'small-caption', 'status-bar'];

const LONGHANDS = [
  'font-style',
  'font-variant-caps',
  'font-weight',
  'font-stretch',
  'font-size',
  'line-height',
  'font-family',
];

/** CSS Fonts 4, section 2.7: style, variant, weight and stretch in any order, then size / line height and family. */
export const FONT: Shorthand = {
  name: 'font',
  longhands: LONGHANDS,
  expand: (value) => {
    const nodes = nodesOf(value);
    if (nodes.length === 1 && isWord(nodes[0]!, ...SYSTEM)) return undefined;
    const result: Record<string, string> = {
      'font-style': 'normal',
      'font-variant-caps': 'normal',
      'font-weight': 'normal',
      'font-stretch': 'normal',
      'line-height': 'normal',
    };
    let at = 0;
    for (; at < nodes.length; at++) {
      const node = nodes[at] as CssNode;
      const text = textOfNode(node);
      if (isWord(node, 'normal')) continue;
      else if (isWord(node, 'italic', 'oblique')) result['font-style'] = text;
      else if (isWord(node, 'small-caps')) result['font-variant-caps'] = text;
      else if (isWord(node, 'bold', 'bolder', 'lighter') || node.type === 'Number') result['font-weight'] = text;
      else if (isWord(node, ...STRETCH)) result['font-stretch'] = text;
      else break;
    }
    const size = nodes[at++];
    if (!size || !(isWord(size, ...SIZES) || isLengthLike(size))) return undefined;
    result['font-size'] = textOfNode(size);
    const slash = nodes[at];
    if (slash?.type === 'Operator' && slash.value === '/') {
      const height = nodes[at + 1];
      if (!height) return undefined;
      result['line-height'] = textOfNode(height);
      at += 2;
    }
    const family = nodes.slice(at);
    if (!family.length) return undefined;
    result['font-family'] = family.map(textOfNode).join(' ').replace(/ ?, ?/g, ', ');
    return result;
  },
};
