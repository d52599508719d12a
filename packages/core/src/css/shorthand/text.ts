import { isColour, isImage, isLengthLike, isWord, nodesOf, textOfNode } from './split.js';
import type { Shorthand } from './shorthand.js';
import { lookup } from '../../base/lookup.js';

const LINES = ['none', 'underline', 'overline', 'line-through', 'blink', 'spelling-error', 'grammar-error'];
const STYLES = ['solid', 'double', 'dotted', 'dashed', 'wavy'];

/** CSS Text Decoration 4, section 2.5. */
export const TEXT_DECORATION: Shorthand = {
  name: 'text-decoration',
  longhands: ['text-decoration-line', 'text-decoration-style', 'text-decoration-color', 'text-decoration-thickness'],
  expand: (value) => {
    const lines: string[] = [];
    let style = 'solid';
    let colour = 'currentcolor';
    let thickness = 'auto';
    for (const node of nodesOf(value)) {
      const text = textOfNode(node);
      if (isWord(node, ...LINES)) lines.push(text);
      else if (isWord(node, ...STYLES)) style = text;
      else if (isWord(node, 'auto', 'from-font') || isLengthLike(node)) thickness = text;
      else if (isColour(node)) colour = text;
      else return undefined;
    }
    return {
      'text-decoration-line': lines.join(' ') || 'none',
      'text-decoration-style': style,
      'text-decoration-color': colour,
      'text-decoration-thickness': thickness,
    };
  },
};

/** CSS Lists 3, section 3.4; a lone `none` means both the marker and its picture. */
export const LIST_STYLE: Shorthand = {
  name: 'list-style',
  longhands: ['list-style-type', 'list-style-position', 'list-style-image'],
  expand: (value) => {
    let type: string | undefined;
    let image: string | undefined;
    let position = 'outside';
    let nones = 0;
    for (const node of nodesOf(value)) {
      if (isWord(node, 'inside', 'outside')) position = textOfNode(node);
      else if (isWord(node, 'none')) nones++;
      else if (isImage(node)) image = textOfNode(node);
      else type = textOfNode(node);
    }
    return {
      'list-style-type': type ?? (nones ? 'none' : 'disc'),
      'list-style-position': position,
      'list-style-image': image ?? 'none',
    };
  },
};

const WHITE_SPACE: Readonly<Record<string, readonly [string, string]>> = lookup({
  normal: ['collapse', 'wrap'],
  nowrap: ['collapse', 'nowrap'],
  '-webkit-nowrap': ['collapse', 'nowrap'],
  pre: ['preserve', 'nowrap'],
  'pre-wrap': ['preserve', 'wrap'],
  'pre-line': ['preserve-breaks', 'wrap'],
  'break-spaces': ['break-spaces', 'wrap'],
});

/** CSS Text 4, section 3: the older words, or collapsing and wrapping said apart. */
export const WHITE_SPACE_SHORTHAND: Shorthand = {
  name: 'white-space',
  longhands: ['white-space-collapse', 'text-wrap-mode'],
  expand: (value) => {
    const words = nodesOf(value).map((node) => textOfNode(node).toLowerCase());
    const known = words.length === 1 ? WHITE_SPACE[words[0]!] : undefined;
    if (known) return { 'white-space-collapse': known[0], 'text-wrap-mode': known[1] };
    const mode = words.find((word) => word === 'wrap' || word === 'nowrap');
    const rest = words.filter((word) => word !== mode);
    if (rest.length > 1) return undefined;
    return { 'white-space-collapse': rest[0] ?? 'collapse', 'text-wrap-mode': mode ?? 'wrap' };
  },
};

/** CSS Text 4, section 6.4. */
export const TEXT_WRAP: Shorthand = {
  name: 'text-wrap',
  longhands: ['text-wrap-mode', 'text-wrap-style'],
  expand: (value) => {
    const words = nodesOf(value).map((node) => textOfNode(node).toLowerCase());
    const mode = words.find((word) => word === 'wrap' || word === 'nowrap');
    const rest = words.filter((word) => word !== mode);
    if (rest.length > 1) return undefined;
    return { 'text-wrap-mode': mode ?? 'wrap', 'text-wrap-style': rest[0] ?? 'auto' };
  },
};

/** A width and a colour in any order. */
const widthAndColour = (name: string, width: string, colour: string): Shorthand => ({
  name,
  longhands: [width, colour],
  expand: (value) => {
    const found = { [width]: '0', [colour]: 'currentcolor' };
    for (const node of nodesOf(value)) found[isColour(node) ? colour : width] = textOfNode(node);
    return found;
  },
});

export const TEXT_STROKE = widthAndColour(
  '-webkit-text-stroke',
  '-webkit-text-stroke-width',
  '-webkit-text-stroke-color',
);

/** CSS Text Decoration 4, section 3.4. */
export const TEXT_EMPHASIS: Shorthand = {
  name: 'text-emphasis',
  longhands: ['text-emphasis-style', 'text-emphasis-color'],
  expand: (value) => {
    const style: string[] = [];
    let colour = 'currentcolor';
    for (const node of nodesOf(value)) {
      if (isColour(node)) colour = textOfNode(node);
      else style.push(textOfNode(node));
    }
    return { 'text-emphasis-style': style.join(' ') || 'none', 'text-emphasis-color': colour };
  },
};
