import { contrastRatio } from '../colour/contrast.js';
import { BLUE_LUMINANCE, GREEN_LUMINANCE, RED_LUMINANCE } from '../colour/luminance-table.js';
import type { Rgba } from '../colour/rgba.js';
import { sweep } from '../picture/sweep.js';
import type { Box } from '../page/box.js';
import type { PatternFill, SolidFill } from './fill.js';
import { measureByLight, opaqueInk, underVeils } from './by-light.js';
import { flatPair, isFlat } from './flat.js';
import { COVERED, variesBy, type Measurement } from './measurement.js';
import { piecesOf, type Piece } from './pieces.js';
import { colourOfSteps, isAsBefore, pixelOf, rasters } from './raster.js';
import type { SceneNode } from './scene-nodes.js';
import type { Scene } from './scene.js';
import { splitAnywhere, splitScene, type Split } from './spread.js';

/** Colours that stand next to a letter, where a shadow or an outline lies between it and its ground. */
export type Halo = (background: Rgba) => readonly Rgba[];

/** Below this share something is taken to be covered. */
const HARDLY = 0.05;

const worstAround = (foreground: Rgba, background: Rgba, halo: Halo | undefined): { ratio: number; beside: Rgba } => {
  let beside = background;
  let ratio = Infinity;
  for (const colour of halo ? halo(background) : [background]) {
    const own = contrastRatio(foreground, colour);
    if (own < ratio) [ratio, beside] = [own, colour];
  }
  return { ratio, beside };
};

function measureFlat(
  nodes: readonly SceneNode[],
  needed: number,
  halo: Halo | undefined,
): Measurement | typeof COVERED {
  const { foreground, background, shown } = flatPair(nodes);
  if (shown < HARDLY) return COVERED;
  const { ratio, beside } = worstAround(foreground, background, halo);
  return {
    worst: ratio,
    best: ratio,
    foreground,
    background: beside,
    at: undefined,
    share: ratio >= needed ? 0 : 1,
    varies: undefined,
  };
}

const patternsOf = (nodes: readonly SceneNode[]): PatternFill[] =>
  nodes.flatMap((node) =>
    node.kind === 'group'
      ? patternsOf(node.nodes)
      : node.kind === 'mark'
        ? patternsOf(node.fills)
        : node.kind === 'pattern'
          ? [node]
          : [],
  );

/** The nodes with one colour in place of each pattern. */
const withColours = (nodes: readonly SceneNode[], colours: ReadonlyMap<PatternFill, Rgba>): SceneNode[] =>
  nodes.map((node): SceneNode => {
    if (node.kind === 'group') return { ...node, nodes: withColours(node.nodes, colours) };
    if (node.kind === 'mark') return { ...node, fills: withColours(node.fills, colours) as SolidFill[] };
    const colour = node.kind === 'pattern' ? colours.get(node) : undefined;
    return colour ? { kind: 'solid', colour, box: undefined } : node;
  });

const straight = ([r, g, b, alpha]: readonly [number, number, number, number]): Rgba =>
  alpha > 0 ? { r: r / alpha, g: g / alpha, b: b / alpha, alpha } : { r: 0, g: 0, b: 0, alpha: 0 };

/** Pairs of colours from two patterns that are tried; more would take too long. */
const MOST_TRIED = 40_000;

/** Every colour that may lie behind, where it is not known which one does. */
function measureAny(nodes: readonly SceneNode[], needed: number, halo: Halo | undefined): Measurement | undefined {
  const split = splitAnywhere(nodes);
  if (split) {
    const found = measureSplit(split, nodes, needed, halo);
    if (found === COVERED) return undefined;
    const { worst, best } = found;
    // Where each colour gives the same answer it does not matter which one it is.
    return { ...found, at: undefined, share: worst >= needed ? 0 : best < needed ? 1 : undefined };
  }
  const patterns = patternsOf(nodes);
  const choices = patterns.map(({ pattern }) => [...pattern.colours()].map(straight));
  const count = choices.reduce((product, { length }) => product * Math.max(1, length), 1);
  if (count > MOST_TRIED && patterns.length > 1) return undefined;
  let worst: Measurement | undefined;
  let best = 0;
  const chosen = new Map<PatternFill, Rgba>();
  const visit = (i: number): void => {
    const pattern = patterns[i];
    if (!pattern) {
      const { foreground, background } = flatPair(withColours(nodes, chosen));
      const { ratio, beside } = worstAround(foreground, background, halo);
      best = Math.max(best, ratio);
      if (worst && ratio >= worst.worst) return;
      worst = {
        worst: ratio,
        best,
        foreground,
        background: beside,
        at: undefined,
        share: undefined,
        varies: variesBy(nodes),
      };
      return;
    }
    for (const colour of choices[i]!) {
      chosen.set(pattern, colour);
      visit(i + 1);
    }
  };
  visit(0);
  if (!worst) return undefined;
  // Where each colour gives the same answer it does not matter which one it is.
  const share = worst.worst >= needed ? 0 : best < needed ? 1 : undefined;
  return { ...worst, best, share };
}

/** An opaque picture under opaque text, at most veiled in between: one pass over its pixels is enough. */
function asSweep(nodes: readonly SceneNode[], areas: readonly Box[], needed: number): Measurement | undefined {
  const [picture, ...rest] = nodes;
  const mark = rest.at(-1);
  const veil = rest.length === 2 ? rest[0] : undefined;
  if (picture?.kind !== 'pattern' || mark?.kind !== 'mark' || rest.length > 2 || picture.box || !picture.tiling) {
    return undefined;
  }
  const { drawn } = picture.pattern;
  const [ink] = mark.fills;
  if (!drawn?.opaque || mark.fills.length !== 1 || ink?.kind !== 'solid' || ink.colour.alpha < 1) return undefined;
  if (veil && (veil.kind !== 'solid' || veil.box || veil.hole)) return undefined;
  const left = Math.round(picture.tiling.x);
  const top = Math.round(picture.tiling.y);
  const regions = areas.map((area) => {
    const x = Math.floor(area.x) - left;
    const y = Math.floor(area.y) - top;
    return {
      x,
      y,
      width: Math.ceil(area.x + area.width) - left - x,
      height: Math.ceil(area.y + area.height) - top - y,
    };
  });
  const isInside = regions.every(
    ({ x, y, width, height }) => x >= 0 && y >= 0 && x + width <= drawn.width && y + height <= drawn.height,
  );
  if (!isInside) return undefined;
  let pixels = 0;
  let short = 0;
  let worst: { ratio: number; x: number; y: number } | undefined;
  let best = 0;
  for (const region of regions) {
    const found = sweep(drawn, region, ink.colour, needed, veil?.colour);
    pixels += found.pixels;
    short += found.short;
    best = Math.max(best, found.best);
    if (!worst || found.worst < worst.ratio) worst = { ratio: found.worst, ...found.at };
  }
  if (!worst || !pixels) return undefined;
  const at = (worst.y * drawn.width + worst.x) * 4;
  const behind: Rgba = {
    r: drawn.data[at]! / 255,
    g: drawn.data[at + 1]! / 255,
    b: drawn.data[at + 2]! / 255,
    alpha: 1,
  };
  const pair = flatPair([{ kind: 'solid', colour: behind, box: undefined }, ...rest]);
  return {
    worst: worst.ratio,
    best,
    foreground: pair.foreground,
    background: pair.background,
    at: { x: worst.x + left, y: worst.y + top },
    share: short / pixels,
    varies: 'picture',
  };
}

const luminanceOf = ([r, g, b]: readonly [number, number, number]) =>
  RED_LUMINANCE[r]! + GREEN_LUMINANCE[g]! + BLUE_LUMINANCE[b]! + 0.05;

/** Text over what varies, each look of which is looked at once however many pixels have it. */
function measurePieces(
  pieces: Iterable<Piece>,
  nodes: readonly SceneNode[],
  needed: number,
  halo: Halo | undefined,
): Measurement | typeof COVERED {
  let pixels = 0;
  let short = 0;
  let best = 0;
  let worst: Measurement | undefined;
  for (const piece of pieces) {
    const { foreground, background, shown } = flatPair(piece.nodes);
    if (shown < HARDLY) continue;
    const { ratio, beside } = worstAround(foreground, background, halo);
    pixels += piece.count;
    if (ratio < needed) short += piece.count;
    if (ratio > best) best = ratio;
    if (worst && ratio >= worst.worst) continue;
    const at = { x: piece.x, y: piece.y };
    worst = { worst: ratio, best, foreground, background: beside, at, share: 0, varies: undefined };
  }
  return worst ? { ...worst, best, share: short / pixels, varies: variesBy(nodes) } : COVERED;
}

/** The colours of what varies, each with what is painted over all of it. */
function* underRest({ colours, rest }: Pick<Split, 'colours' | 'rest'>): Generator<Piece> {
  for (const { colour, count, x, y } of colours) {
    yield { nodes: [{ kind: 'solid', colour, box: undefined }, ...rest], count, x, y };
  }
}

function measureSplit(
  split: Pick<Split, 'colours' | 'rest'>,
  nodes: readonly SceneNode[],
  needed: number,
  halo: Halo | undefined,
): Measurement | typeof COVERED {
  const plain = halo ? undefined : opaqueInk(split.rest);
  if (plain) return measureByLight(underVeils(split.colours, plain.veils), plain.ink, nodes, needed);
  return measurePieces(underRest(split), nodes, needed, halo);
}

function measureAreas(
  nodes: readonly SceneNode[],
  areas: readonly Box[],
  needed: number,
  halo: Halo | undefined,
): Measurement | typeof COVERED {
  let pixels = 0;
  let short = 0;
  let worst = Infinity;
  let best = 0;
  let at: { x: number; y: number } | undefined;
  let colours: { foreground: Rgba; background: Rgba } | undefined;
  for (const area of areas) {
    for (const raster of rasters(nodes, area)) {
      const count = raster.width * raster.height;
      let last: { readonly ratio: number } | undefined;
      for (let i = 0; i < count; i++) {
        // Most pixels are painted as the one before, which is looked at already.
        if (i > 0 && isAsBefore(raster, i)) {
          if (!last) continue;
          pixels++;
          if (last.ratio < needed) short++;
          continue;
        }
        const pair = pixelOf(raster, i);
        last = undefined;
        if (pair.shown < HARDLY) continue;
        pixels++;
        const { withMark, without } = pair;
        const own = luminanceOf(withMark);
        const behind = luminanceOf(without);
        let ratio = own > behind ? own / behind : behind / own;
        let beside: Rgba | undefined;
        if (halo) ({ ratio, beside } = worstAround(colourOfSteps(withMark), colourOfSteps(without), halo));
        last = { ratio };
        if (ratio < needed) short++;
        if (ratio > best) best = ratio;
        if (ratio >= worst) continue;
        worst = ratio;
        at = { x: raster.x + (i % raster.width), y: raster.y + Math.floor(i / raster.width) };
        colours = { foreground: colourOfSteps(withMark), background: beside ?? colourOfSteps(without) };
      }
    }
  }
  if (!colours) return COVERED;
  return { worst, best, ...colours, at, share: short / pixels, varies: variesBy(nodes) };
}

/**
 * Measures what a scene marks against what lies behind it, in every place of the areas.
 *
 * @param areas where it is painted, such as the boxes of a text's lines; whole pixels of the page
 * @returns `covered` where something else is painted over all of it; undefined where too much is unknown
 */
export function measureScene(
  { nodes }: Scene,
  areas: readonly Box[],
  needed: number,
  halo?: Halo,
): Measurement | typeof COVERED | undefined {
  if (isFlat(nodes)) return measureFlat(nodes, needed, halo);
  const placed = patternsOf(nodes).every(({ tiling }) => tiling);
  if (!placed || !areas.length) return measureAny(nodes, needed, halo);
  const pieces = piecesOf(nodes, areas);
  if (pieces) return measurePieces(pieces, nodes, needed, halo);
  const swept = halo ? undefined : asSweep(nodes, areas, needed);
  if (swept) return swept;
  const split = splitScene(nodes, areas);
  return split ? measureSplit(split, nodes, needed, halo) : measureAreas(nodes, areas, needed, halo);
}
