import type { Box } from './box.js';
import { isFlat } from './flat.js';
import { colourOfSteps, pixelOf, rasters } from './raster.js';
import { hasMark, type SceneNode } from './scene.js';
import type { Rgba } from '../colour/rgba.js';

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
    text = `s${r},${g},${b},${alpha}|${box}|${hole}`;
  } else if (node.kind === 'pattern') {
    const tiling = node.tiling;
    text = `p${node.pattern.key}|${tiling?.x},${tiling?.y},${tiling?.stepX},${tiling?.stepY}|${box}`;
  } else if (node.kind === 'backdrop') text = `b${node.key}|${box}`;
  else if (node.kind === 'group') text = `g${node.key}[${node.nodes.map(signature).join(';')}]`;
  else text = node.kind;
  texts.set(node, text);
  return text;
}

const known = new Map<string, readonly SpreadColour[]>();
/** Areas whose colours are kept; the page's parts are measured in state after state. */
const MOST_KNOWN = 600;

function coloursOf(nodes: readonly SceneNode[], areas: readonly Box[]): readonly SpreadColour[] {
  const key = `${nodes.map(signature).join(';')}#${areas.map(({ x, y, width, height }) => `${x},${y},${width},${height}`).join(';')}`;
  const before = known.get(key);
  if (before) return before;
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
  const colours = [...found.values()];
  if (known.size >= MOST_KNOWN) known.delete(known.keys().next().value!);
  known.set(key, colours);
  return colours;
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
  return { colours: coloursOf(under, areas), rest: nodes.slice(last + 1) };
}

const isTried = (node: SceneNode): boolean =>
  node.kind === 'group' ? node.nodes.some(isTried) : node.kind === 'solid' && node.ground !== undefined;
