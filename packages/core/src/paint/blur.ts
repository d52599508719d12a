import { fieldOf } from '../picture/field.js';
import { shared, type Box } from '../page/box.js';
import type { BackdropFill, PatternFill } from './fill.js';
import { isFlat } from './flat.js';
import { picturePattern } from './pictures.js';
import { pixelOf, rasters } from './raster.js';
import { doubtOf, hasMark, type SceneNode } from './scene-nodes.js';
import { nodesText } from './spread.js';

/** A blur reaches as far as this many of its standard deviations; what lies further off adds less than a step. */
const REACH = 3;

/** Blurred grounds that are kept; the texts of a panel are measured in state after state. */
const MOST_KEPT = 200;
const kept = new Map<string, PatternFill>();

const whole = ({ x, y, width, height }: Box): Box => {
  const [left, top] = [Math.floor(x), Math.floor(y)];
  return { x: left, y: top, width: Math.ceil(x + width) - left, height: Math.ceil(y + height) - top };
};
const grown = ({ x, y, width, height }: Box, by: number): Box => ({
  x: x - by,
  y: y - by,
  width: width + 2 * by,
  height: height + 2 * by,
});

/** Shares of a Gaussian, from its middle outwards on both sides. */
function gaussian(deviation: number): Float64Array {
  const reach = Math.ceil(deviation * REACH);
  const shares = Float64Array.from({ length: 2 * reach + 1 }, (_, i) =>
    Math.exp(-((i - reach) ** 2) / (2 * deviation ** 2)),
  );
  const sum = shares.reduce((total, share) => total + share, 0);
  return shares.map((share) => share / sum);
}

/** A place beyond an edge is that as far on this side of it, as in a mirror. */
function mirrored(at: number, length: number): number {
  const turn = ((at % (2 * length)) + 2 * length) % (2 * length);
  return turn < length ? turn : 2 * length - 1 - turn;
}

/** One direction of a blur over three channels. */
function along(from: Float32Array, length: number, lines: number, step: number, stride: number, shares: Float64Array) {
  const reach = (shares.length - 1) / 2;
  const to = new Float32Array(from.length);
  for (let line = 0; line < lines; line++) {
    for (let i = 0; i < length; i++) {
      let [r, g, b] = [0, 0, 0];
      for (let k = -reach; k <= reach; k++) {
        const at = (line * stride + mirrored(i + k, length) * step) * 3;
        const share = shares[k + reach]!;
        r += from[at]! * share;
        g += from[at + 1]! * share;
        b += from[at + 2]! * share;
      }
      const at = (line * stride + i * step) * 3;
      to[at] = r;
      to[at + 1] = g;
      to[at + 2] = b;
    }
  }
  return to;
}

/** The colours of an area, eight bits a channel, red, green and blue. */
function coloursOf(nodes: readonly SceneNode[], area: Box): Float32Array {
  const colours = new Float32Array(area.width * area.height * 3);
  let at = 0;
  for (const raster of rasters(nodes, area)) {
    for (let i = 0; i < raster.width * raster.height; i++, at += 3) colours.set(pixelOf(raster, i).without, at);
  }
  return colours;
}

/**
 * What lies behind an element that blurs it, as a picture of an area. A Gaussian over the colours as they are, that
 * takes those at the edges of the element's box for what lies beyond them. Sources: Filter Effects 1, section 8.1, and
 * Filter Effects 2 for the edges (`backdrop-filter`, mirrored as Chromium does).
 */
function blurredArea(below: readonly SceneNode[], area: Box, from: Box, deviation: number): PatternFill {
  const key = `${[area, from].map(({ x, y, width, height }) => `${x},${y},${width},${height}`).join(' ')} ${deviation} ${nodesText(below)}`;
  const known = kept.get(key);
  if (known) return known;
  const { x, y, width, height } = whole(shared(grown(area, Math.ceil(deviation * REACH)), from));
  const shares = gaussian(deviation);
  const across = along(coloursOf(below, { x, y, width, height }), width, height, 1, width, shares);
  const colours = along(across, height, width, width, 1, shares);
  const data = new Uint8ClampedArray(width * height * 4);
  for (let i = 0; i < width * height; i++) {
    for (let k = 0; k < 3; k++) data[i * 4 + k] = Math.round(colours[i * 3 + k]!);
    data[i * 4 + 3] = 255;
  }
  const fill: PatternFill = {
    kind: 'pattern',
    what: 'gradient',
    pattern: picturePattern(fieldOf(width, height, data), width, height),
    tiling: { x, y, stepX: undefined, stepY: undefined },
    box: undefined,
  };
  if (kept.size >= MOST_KEPT) kept.clear();
  kept.set(key, fill);
  return fill;
}

const isBlur = (node: SceneNode): node is BackdropFill => node.kind === 'backdrop' && node.blur > 0;
const holdsBlur = (node: SceneNode): boolean => isBlur(node) || (node.kind === 'group' && node.nodes.some(holdsBlur));

/** Why what some nodes blur cannot be told; undefined where none does, or it makes no difference. */
export function doubtOfBlur(nodes: readonly SceneNode[]): string | undefined {
  const at = nodes.findIndex(holdsBlur);
  if (at < 0 || (isBlur(nodes[at]!) && isFlat(nodes.slice(0, at)))) return undefined;
  return 'What lies behind is blurred, and of what, only geometry tells.';
}

/**
 * The same nodes with what is blurred in place of what was there to blur.
 *
 * @param nodesIn what is painted in a larger area, with nothing of it blurred yet
 * @returns why it cannot be told, where it cannot
 */
export function withBlurs(
  nodes: readonly SceneNode[],
  area: Box,
  nodesIn: (area: Box) => readonly SceneNode[],
): readonly SceneNode[] | string {
  const at = nodes.findLastIndex(holdsBlur);
  const blur = nodes[at];
  if (!blur) return nodes;
  const rest = nodes.slice(at + 1);
  // Where the last does not cover it all, those before are seen.
  const below = withBlurs(nodes.slice(0, at), area, nodesIn);
  if (typeof below === 'string') return below;
  if (!isBlur(blur) || !blur.from) return 'Something in it is blurred as one with others.';
  if (below.some(hasMark)) return 'What lies over it blurs it.';
  const wider = shared(grown(area, Math.ceil(blur.blur * REACH)), blur.from);
  const around = nodesIn(wider);
  const own = around.findIndex((node) => isBlur(node) && node.key === blur.key && isSame(node.from, blur.from));
  if (own < 0) return 'Something in it is blurred as one with others.';
  // What lies behind may hold such a blur itself.
  const behind = withBlurs(around.slice(0, own), wider, nodesIn);
  if (typeof behind === 'string') return behind;
  const doubt = doubtOf(behind);
  if (doubt) return doubt;
  const after = blur.apply.length ? [{ ...blur, blur: 0 }] : [];
  if (isFlat(behind)) return [...below, ...after, ...rest];
  const blurred = { ...blurredArea(behind, area, blur.from, blur.blur), box: blur.box };
  return [...(blur.box ? below : []), blurred, ...after, ...rest];
}

const isSame = (a: Box | undefined, b: Box | undefined): boolean =>
  a !== undefined && b !== undefined && a.x === b.x && a.y === b.y && a.width === b.width && a.height === b.height;
