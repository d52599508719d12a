import type { Box } from '../page/box.js';
import { over } from '../colour/composite.js';
import { TRANSPARENT, type Rgba } from '../colour/rgba.js';
import { isFlat, paintFlat } from './flat.js';
import { colourOfSteps, pixelOf, rasters } from './raster.js';
import { hasMark, type SceneNode } from './scene-nodes.js';

/** A colour that lies somewhere in an area, in how many of its pixels, and where the first of them is. */
export interface SpreadColour {
  readonly colour: Rgba;
  count: number;
  readonly x: number;
  readonly y: number;
}

/** What does not look alike everywhere, as the colours that it has in an area, and what is painted over it. */
export interface Split {
  readonly colours: readonly SpreadColour[];
  readonly rest: readonly SceneNode[];
  /** Whether pictures are among it, or gradients alone. */
  readonly varies: 'picture' | 'gradient';
}

const texts = new WeakMap<SceneNode, string>();

/** Says what a node paints; two nodes with one signature paint alike. */
function signature(node: SceneNode): string {
  let text = texts.get(node);
  if (text !== undefined) return text;
  const box = 'box' in node && node.box ? `${node.box.x},${node.box.y},${node.box.width},${node.box.height}` : '';
  if (node.kind === 'solid') {
    const { r, g, b, alpha } = node.colour;
    const hole = node.hole ? `${node.hole.x},${node.hole.y},${node.hole.width},${node.hole.height}` : '';
    text = `s${r},${g},${b},${alpha}|${box}|${hole}${node.ground ? 't' : ''}`;
  } else if (node.kind === 'pattern') {
    const tiling = node.tiling;
    text = `p${node.pattern.key}|${tiling?.x},${tiling?.y},${tiling?.stepX},${tiling?.stepY}|${box}`;
  } else if (node.kind === 'backdrop') text = `b${node.key}|${box}`;
  else if (node.kind === 'group') text = `g${node.key}[${nodesText(node.nodes)}]`;
  else text = node.kind === 'mark' ? `m[${nodesText(node.fills)}]` : node.kind;
  texts.set(node, text);
  return text;
}

/** Says what nodes paint. */
export const nodesText = (nodes: readonly SceneNode[]): string => nodes.map(signature).join(';');

const known = new Map<string, readonly SpreadColour[]>();
/** Areas whose colours are kept; the page's parts are measured in state after state. */
const MOST_KNOWN = 600;

function coloursOf(nodes: readonly SceneNode[], areas: readonly Box[]): readonly SpreadColour[] {
  const key = `${nodesText(nodes)}#${areas.map(({ x, y, width, height }) => `${x},${y},${width},${height}`).join(';')}`;
  return kept(key, () => paintedColours(nodes, areas));
}

function kept(key: string, make: () => readonly SpreadColour[]): readonly SpreadColour[] {
  const before = known.get(key);
  if (before) return before;
  const colours = make();
  if (known.size >= MOST_KNOWN) known.delete(known.keys().next().value!);
  known.set(key, colours);
  return colours;
}

function paintedColours(nodes: readonly SceneNode[], areas: readonly Box[]): readonly SpreadColour[] {
  const found = new Map<number, SpreadColour>();
  for (const area of areas) {
    for (const raster of rasters(nodes, area)) {
      const count = raster.width * raster.height;
      for (let i = 0; i < count; i++) {
        const { without } = pixelOf(raster, i);
        const code = (without[0] << 16) | (without[1] << 8) | without[2];
        const own = found.get(code);
        if (own) own.count++;
        else {
          found.set(code, {
            colour: colourOfSteps(without),
            count: 1,
            x: raster.x + (i % raster.width),
            y: raster.y + Math.floor(i / raster.width),
          });
        }
      }
    }
  }
  return [...found.values()];
}

/**
 * Splits a scene behind the last node that does not look alike everywhere: what is up to there is worked out once, and
 * stays the same while what is painted over it is tried in other colours.
 *
 * @returns undefined where what is measured, or tried, is itself among what varies
 */
export function splitScene(nodes: readonly SceneNode[], areas: readonly Box[]): Split | undefined {
  const last = nodes.findLastIndex((node) => !isFlat([node]));
  const under = nodes.slice(0, last + 1);
  if (last < 0 || under.some((node) => hasMark(node) || isTried(node))) return undefined;
  const varies = under.some(holdsPicture) ? 'picture' : 'gradient';
  return { colours: coloursOf(under, areas), rest: nodes.slice(last + 1), varies };
}

const holdsPicture = (node: SceneNode): boolean =>
  node.kind === 'group' ? node.nodes.some(holdsPicture) : node.kind === 'pattern' && node.what === 'picture';

const isTried = (node: SceneNode): boolean =>
  node.kind === 'group' ? node.nodes.some(isTried) : node.kind === 'solid' && node.ground !== undefined;

/**
 * The same where it is not known which colour of a picture or gradient lies behind: each of them may.
 *
 * @returns undefined where more than one varies, or what is measured, or tried, is itself among it
 */
export function splitAnywhere(nodes: readonly SceneNode[]): Omit<Split, 'varies'> | undefined {
  const at = nodes.findIndex(({ kind }) => kind === 'pattern');
  const pattern = nodes[at];
  const under = nodes.slice(0, at);
  const rest = nodes.slice(at + 1);
  if (pattern?.kind !== 'pattern' || !isFlat(under) || !isFlat(rest)) return undefined;
  if (under.some((node) => hasMark(node) || isTried(node))) return undefined;
  const colours = kept(`anywhere ${nodesText([...under, pattern])}`, () => {
    const below = paintFlat(under, false);
    const found = new Map<number, SpreadColour>();
    for (const [r, g, b, alpha] of pattern.pattern.colours()) {
      const own = alpha > 0 ? { r: r / alpha, g: g / alpha, b: b / alpha, alpha } : TRANSPARENT;
      const colour = over(own, below);
      // What differs by less than a step of a screen is one colour.
      const [red, green, blue] = [colour.r, colour.g, colour.b].map((value) => Math.round(value * 255));
      const code = (red! << 16) | (green! << 8) | blue!;
      if (!found.has(code)) found.set(code, { colour: colourOfSteps([red!, green!, blue!]), count: 1, x: 0, y: 0 });
    }
    return [...found.values()];
  });
  return { colours, rest };
}
