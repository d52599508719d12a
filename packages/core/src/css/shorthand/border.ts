import type { Value } from 'css-tree';
import { isColour, isImage, isLengthLike, isWord, nodesOf, textOfNode } from './split.js';
import type { Shorthand } from './shorthand.js';

const STYLES = ['none', 'hidden', 'dotted', 'dashed', 'solid', 'double', 'groove', 'ridge', 'inset', 'outset', 'auto'];
const WIDTHS = ['thin', 'medium', 'thick'];

/** `<line-width> || <line-style> || <color>`, in any order (CSS Backgrounds 3, section 3.4). */
function readLine(value: Value): { width: string; style: string; colour: string } | undefined {
  const found: { width?: string; style?: string; colour?: string } = {};
  for (const node of nodesOf(value)) {
    const text = textOfNode(node);
    if (isWord(node, ...STYLES) && found.style === undefined) found.style = text;
    else if ((isWord(node, ...WIDTHS) || isLengthLike(node)) && found.width === undefined) found.width = text;
    else if (isColour(node) && found.colour === undefined) found.colour = text;
    else return undefined;
  }
  return {
    width: found.width ?? 'medium',
    style: found.style ?? 'none',
    colour: found.colour ?? 'currentcolor',
  };
}

const line = (name: string, sides: readonly string[], resets: Readonly<Record<string, string>> = {}): Shorthand => ({
  name,
  longhands: [...sides.flatMap((side) => [`${side}-width`, `${side}-style`, `${side}-color`]), ...Object.keys(resets)],
  expand: (value) => {
    const read = readLine(value);
    if (!read) return undefined;
    const longhands = Object.fromEntries(
      sides.flatMap((side) => [
        [`${side}-width`, read.width],
        [`${side}-style`, read.style],
        [`${side}-color`, read.colour],
      ]),
    );
    return { ...longhands, ...resets };
  },
});

const BORDERS = ['border-top', 'border-right', 'border-bottom', 'border-left'];

/** `border` also takes a picture away (CSS Backgrounds 3, section 3.4). */
const NO_IMAGE = {
  'border-image-source': 'none',
  'border-image-slice': '100%',
  'border-image-width': '1',
  'border-image-outset': '0',
  'border-image-repeat': 'stretch',
};
const LOGICAL = ['border-block-start', 'border-block-end', 'border-inline-start', 'border-inline-end'];

export const BORDER: readonly Shorthand[] = [
  line('border', BORDERS, NO_IMAGE),
  ...[...BORDERS, ...LOGICAL].map((side) => line(side, [side])),
  line('outline', ['outline']),
  line('column-rule', ['column-rule']),
  line('border-inline', ['border-inline-start', 'border-inline-end']),
  line('border-block', ['border-block-start', 'border-block-end']),
];

/** `source || slice [/ width [/ outset]] || repeat` (CSS Backgrounds 3, section 6.7). */
export const BORDER_IMAGE: Shorthand = {
  name: 'border-image',
  longhands: Object.keys(NO_IMAGE),
  expand: (value) => {
    const found: Record<string, string> = { ...NO_IMAGE };
    const groups: string[][] = [[]];
    const repeats: string[] = [];
    for (const node of nodesOf(value)) {
      if (node.type === 'Operator' && node.value.trim() === '/') groups.push([]);
      else if (isImage(node) || isWord(node, 'none')) found['border-image-source'] = textOfNode(node);
      else if (isWord(node, 'stretch', 'repeat', 'round', 'space')) repeats.push(textOfNode(node));
      else groups.at(-1)!.push(textOfNode(node));
    }
    const [slice, width, outset] = groups;
    if (groups.length > 3) return undefined;
    if (slice?.length) found['border-image-slice'] = slice.join(' ');
    if (width?.length) found['border-image-width'] = width.join(' ');
    if (outset?.length) found['border-image-outset'] = outset.join(' ');
    if (repeats.length) found['border-image-repeat'] = repeats.join(' ');
    return found;
  },
};

const CORNERS = ['top-left', 'top-right', 'bottom-right', 'bottom-left'].map((corner) => `border-${corner}-radius`);

const spread = (parts: readonly string[]): string[] | undefined => {
  if (parts.length < 1 || parts.length > 4) return undefined;
  const [a, b = a, c = a, d = b] = parts as [string, ...string[]];
  return [a, b, c, d];
};

/** CSS Backgrounds 3, section 4.1: horizontal radii, then after a slash vertical ones. */
export const RADIUS: Shorthand = {
  name: 'border-radius',
  longhands: CORNERS,
  expand: (value) => {
    const nodes = nodesOf(value);
    const slash = nodes.findIndex((node) => node.type === 'Operator' && node.value === '/');
    const across = spread((slash < 0 ? nodes : nodes.slice(0, slash)).map(textOfNode));
    const down = slash < 0 ? across : spread(nodes.slice(slash + 1).map(textOfNode));
    if (!across || !down) return undefined;
    return Object.fromEntries(
      CORNERS.map((name, i) => [name, across[i] === down[i] ? across[i]! : `${across[i]} ${down[i]}`]),
    );
  },
};
