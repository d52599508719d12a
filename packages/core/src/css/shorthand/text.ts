import { isColour, isImage, isLengthLike, isWord, nodesOf, textOfNode } from './split.js';
import type { Shorthand } from './shorthand.js';

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
