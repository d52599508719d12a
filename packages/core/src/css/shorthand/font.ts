import type { CssNode } from 'css-tree';
import { isLengthLike, isWord, nodesOf, textOfNode } from './split.js';
import type { Shorthand } from './shorthand.js';
import { lookup } from '../../base/lookup.js';

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

/** What `font` sets back besides what it says (CSS Fonts 4, section 2.7). */
const RESETS: Readonly<Record<string, string>> = lookup({
  'font-style': 'normal',
  'font-variant-caps': 'normal',
  'font-variant-ligatures': 'normal',
  'font-variant-numeric': 'normal',
  'font-variant-east-asian': 'normal',
  'font-variant-alternates': 'normal',
  'font-variant-position': 'normal',
  'font-weight': 'normal',
  'font-stretch': 'normal',
  'line-height': 'normal',
  'font-kerning': 'auto',
  'font-optical-sizing': 'auto',
  'font-size-adjust': 'none',
  'font-feature-settings': 'normal',
  'font-variation-settings': 'normal',
});
const LONGHANDS = [...Object.keys(RESETS), 'font-size', 'font-family'];

/** CSS Fonts 4, section 2.7: style, variant, weight and stretch in any order, then size / line height and family. */
export const FONT: Shorthand = {
  name: 'font',
  longhands: LONGHANDS,
  expand: (value) => {
    const nodes = nodesOf(value);
    const result: Record<string, string> = { ...RESETS };
    // The system's own font, as Chromium on Linux without a desktop gives it.
    if (nodes.length === 1 && isWord(nodes[0]!, ...SYSTEM))
      return { ...result, 'font-size': '16px', 'font-family': 'Arial' };
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

const CAPS = ['small-caps', 'all-small-caps', 'petite-caps', 'all-petite-caps', 'unicase', 'titling-caps'];
const LIGATURES = /^(no-)?(common|discretionary|historical)-ligatures$|^(no-)?contextual$/;
const NUMERIC = /-nums$|-fractions$|^ordinal$|^slashed-zero$/;
const EAST_ASIAN = /^(jis\d\d|simplified|traditional|(full|proportional)-width|ruby)$/;

/** CSS Fonts 4, section 6.11. */
export const FONT_VARIANT: Shorthand = {
  name: 'font-variant',
  longhands: Object.keys(RESETS).filter((name) => name.startsWith('font-variant-')),
  expand: (value) => {
    const found: Record<string, string[]> = {};
    const words = nodesOf(value).map((node) => textOfNode(node).toLowerCase());
    const put = (name: string, word: string) => (found[`font-variant-${name}`] ??= []).push(word);
    for (const word of words) {
      if (word === 'normal') continue;
      else if (word === 'none') put('ligatures', 'none');
      else if (CAPS.includes(word)) put('caps', word);
      else if (LIGATURES.test(word)) put('ligatures', word);
      else if (NUMERIC.test(word)) put('numeric', word);
      else if (EAST_ASIAN.test(word)) put('east-asian', word);
      else if (word === 'sub' || word === 'super') put('position', word);
      else if (word === 'historical-forms') put('alternates', word);
      else return undefined;
    }
    return Object.fromEntries(FONT_VARIANT.longhands.map((name) => [name, found[name]?.join(' ') ?? 'normal']));
  },
};
