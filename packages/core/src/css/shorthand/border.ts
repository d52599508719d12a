import type { Value } from 'css-tree';
import { isColour, isLengthLike, isWord, nodesOf, textOfNode } from './split.js';
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

const line = (name: string, sides: readonly string[]): Shorthand => ({
  name,
  longhands: sides.flatMap((side) => [`${side}-width`, `${side}-style`, `${side}-color`]),
  expand: (value) => {
    const read = readLine(value);
    if (!read) return undefined;
    return Object.fromEntries(
      sides.flatMap((side) => [
        [`${side}-width`, read.width],
        [`${side}-style`, read.style],
        [`${side}-color`, read.colour],
      ]),
    );
  },
});

const BORDERS = ['border-top', 'border-right', 'border-bottom', 'border-left'];

export const BORDER: readonly Shorthand[] = [
  line('border', BORDERS),
  ...BORDERS.map((side) => line(side, [side])),
  line('outline', ['outline']),
  line('border-inline', ['border-left', 'border-right']),
  line('border-block', ['border-top', 'border-bottom']),
];

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
