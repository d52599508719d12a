import { over } from '../colour/composite.js';
import { contrastRatio } from '../colour/contrast.js';
import { WHITE, type Rgba } from '../colour/rgba.js';
import { splitTopLevel } from '../css/values/split.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import type { StyledPage } from '../css/cascade/page-styles.js';
import { hasBorderImage } from '../paint/background.js';
import { halvesOf, isShaded, outerHalf } from '../paint/border-colour.js';
import { borderWidths, SIDES, type Side } from '../paint/boxes.js';
import { type Box } from '../page/box.js';
import { flatPair, isFlat } from '../paint/flat.js';
import { paintGradient } from '../paint/gradient/gradient.js';
import { colourOfSteps, isAsBefore, pixelOf, rasters } from '../paint/raster.js';
import { groundOf, plainGround, sceneFor, type Basis, type Looking } from '../paint/scene.js';
import type { ElementNode } from '../tree/tree.js';
import { without, type Check } from './check.js';
import { hiddenBy, hiddenVerdict } from './hidden.js';
import { isSwitchedOff } from './switched-off.js';
import { atAnyTime } from './while-animated.js';

/** WCAG 2.2, 1.4.11: what identifies a control or a graphic contrasts by this much with what is beside it. */
export const NEEDED_EDGE = 3;

export const exemptEdge = (reason: string) => without('1.4.11', 'exempt', NEEDED_EDGE, reason);
export const unsureEdge = (reason: string, basis?: Basis) => without('1.4.11', 'unsure', NEEDED_EDGE, reason, basis);

export function measured(foreground: Rgba, background: Rgba, basis: Basis, at?: Check['at']): Check {
  const ratio = contrastRatio(foreground, background);
  return {
    criterion: '1.4.11',
    verdict: ratio >= NEEDED_EDGE ? 'passes' : 'short',
    measured: ratio,
    needed: NEEDED_EDGE,
    unit: 'ratio',
    large: false,
    foreground,
    background,
    reason: undefined,
    basis,
    at,
  };
}

export const lowest = (checks: readonly Check[]): Check | undefined =>
  checks.reduce<Check | undefined>((low, check) => (!low || check.measured! < low.measured! ? check : low), undefined);
export const highest = (checks: readonly Check[]): Check | undefined =>
  checks.reduce<Check | undefined>(
    (high, check) => (!high || check.measured! > high.measured! ? check : high),
    undefined,
  );

export function excused(page: StyledPage, element: ElementNode): Check | undefined {
  const hidden = hiddenBy(page, element);
  if (hidden) return without('1.4.11', hiddenVerdict(hidden), NEEDED_EDGE, hidden);
  return isSwitchedOff(page, element) ? exemptEdge('Disabled controls are exempt.') : undefined;
}

/** The one colour behind what an element holds, as its ancestors tell; why it cannot be said where it cannot. */
export function colourBehind(looking: Looking, element: ElementNode | undefined): Rgba | string {
  if (!element) return WHITE;
  const plain = plainGround(looking.view.of(element));
  if (plain) return plain;
  const { nodes, doubt } = groundOf(looking, element);
  if (doubt) return doubt;
  return isFlat(nodes)
    ? flatPair(nodes).background
    : 'A gradient or picture lies behind, and where, only geometry tells.';
}

/** Drawn sides and ground of an element as its ancestors' grounds tell. */
function edgeByAncestors(looking: Looking, element: ElementNode): Check {
  const style = looking.view.of(element);
  if (hasBorderImage(style)) return unsureEdge('A picture or gradient is painted as its border.', 'ancestors');
  const inside = colourBehind(looking, element);
  // An opaque ground hides what lies behind it, and yet it stands beside that.
  const outside = colourBehind(looking, element.parent);
  if (typeof inside === 'string') return unsureEdge(inside);
  if (typeof outside === 'string') return unsureEdge(outside);
  const widths = borderWidths(style);
  const edges = new Map<Side, Check>();
  for (const [i, side] of SIDES.entries()) {
    if (widths[i]! <= 0) continue;
    // A line of two shades is seen by the better of them.
    const halves = halvesOf(style, side).map((half) => measured(over(half, inside), outside, 'ancestors'));
    edges.set(side, highest(halves)!);
  }
  return decide(style, edges, measured(inside, outside, 'ancestors'));
}

const LIT_ALIKE: readonly (readonly Side[])[] = [
  ['top', 'left'],
  ['right', 'bottom'],
];

/**
 * Every drawn side must be seen, and the weakest speaks for them; or the ground shows where the control is. Of a border
 * that is light on two sides and dark on the others, either two show it.
 */
function decide(style: ElementStyle, edges: ReadonlyMap<Side, Check>, ground: Check): Check {
  const isCarved = edges.size > 0 && [...edges.keys()].every((side) => isShaded(style, side));
  const groups = isCarved
    ? LIT_ALIKE.map((sides) => sides.flatMap((side) => edges.get(side) ?? []))
    : [[...edges.values()]];
  const weakest = highest(groups.flatMap((group) => lowest(group) ?? []));
  return weakest && weakest.measured! >= ground.measured! ? weakest : ground;
}

/** A strip along one side, so far from the edge of the border box and a pixel thick, without the corners. */
export function strip(box: Box, side: Side, out: number, corner: number): Box {
  const along = (length: number) => Math.max(1, length - 2 * corner);
  const across = side === 'top' || side === 'bottom';
  const x = across
    ? box.x + Math.min(corner, box.width / 2)
    : side === 'left'
      ? box.x - out
      : box.x + box.width + out - 1;
  const y = across
    ? side === 'top'
      ? box.y - out
      : box.y + box.height + out - 1
    : box.y + Math.min(corner, box.height / 2);
  return {
    x: Math.round(x),
    y: Math.round(y),
    width: across ? Math.round(along(box.width)) : 1,
    height: across ? 1 : Math.round(along(box.height)),
  };
}

/**
 * Colours along a strip at an element's edge, from its start, without the element's own shadows.
 *
 * @returns why they cannot be told where something behind cannot
 */
export function coloursAlong(looking: Looking, element: ElementNode, area: Box): Rgba[] | string {
  const { nodes, doubt } = sceneFor(looking, { element, isAround: true }, area);
  if (doubt) return doubt;
  if (isFlat(nodes)) return [flatPair(nodes).background];
  const colours: Rgba[] = [];
  for (const raster of rasters(nodes, area)) {
    for (let i = 0; i < raster.width * raster.height; i++) {
      const before = i > 0 && isAsBefore(raster, i) ? colours.at(-1) : undefined;
      colours.push(before ?? colourOfSteps(pixelOf(raster, i).without));
    }
  }
  return colours;
}

function worstBetween(own: readonly Rgba[], other: readonly Rgba[], area: Box): Check | undefined {
  const checks: Check[] = [];
  let before: readonly Rgba[] = [];
  for (let i = 0; i < Math.max(own.length, other.length); i++) {
    const pair = [own[Math.min(i, own.length - 1)]!, other[Math.min(i, other.length - 1)]!] as const;
    // Most places are as the one before.
    if (pair[0] === before[0] && pair[1] === before[1]) continue;
    before = pair;
    const at = { x: area.x + (area.width > 1 ? i : 0), y: area.y + (area.height > 1 ? i : 0) };
    checks.push(measured(...pair, 'geometry', at));
  }
  return lowest(checks);
}

/** How deep in a side the middle of what it is drawn with lies, in pixels: one line, or two of two shades. */
function linesAt(style: ElementStyle, side: Side, width: number): readonly number[] {
  if (halvesOf(style, side).length === 1 || width < 2) return [Math.floor(width / 2)];
  const half = outerHalf(width);
  return [Math.floor(half / 2), half + Math.floor((width - half) / 2)];
}

/** The same where the element was measured: what is painted right inside, on and outside of each side. */
function edgeByGeometry(looking: Looking, element: ElementNode, box: Box): Check {
  const style = looking.view.of(element);
  const widths = borderWidths(style);
  const radius = Math.max(
    ...['top-left', 'top-right', 'bottom-left', 'bottom-right'].map(
      (corner) => Number.parseFloat(style.text(`border-${corner}-radius`)) || 0,
    ),
  );
  const corner = Math.min(radius, Math.min(box.width, box.height) / 2) + Math.max(...widths);
  const edges = new Map<Side, Check>();
  const grounds: Check[] = [];
  for (const [i, side] of SIDES.entries()) {
    const outer = strip(box, side, 1, corner);
    const outside = coloursAlong(looking, element, outer);
    const inside = coloursAlong(looking, element, strip(box, side, -Math.ceil(widths[i]!), corner));
    if (typeof outside === 'string') return unsureEdge(outside, 'geometry');
    if (typeof inside === 'string') return unsureEdge(inside, 'geometry');
    const ground = worstBetween(inside, outside, outer);
    if (ground) grounds.push(ground);
    if (widths[i]! <= 0) continue;
    const lines: Check[] = [];
    for (const deep of linesAt(style, side, widths[i]!)) {
      const border = coloursAlong(looking, element, strip(box, side, -deep, corner));
      if (typeof border === 'string') return unsureEdge(border, 'geometry');
      const line = worstBetween(border, outside, outer);
      if (line) lines.push(line);
    }
    const edge = highest(lines);
    if (edge) edges.set(side, edge);
  }
  return decide(style, edges, lowest(grounds)!);
}

/**
 * Measures what shows where a control is: its border against what surrounds it, or where none is drawn its ground. The
 * better of the two decides, since either alone identifies the control.
 */
export function checkEdge(looking: Looking, element: ElementNode): Check {
  const { view, geometry } = looking;
  const excuse = excused(view, element);
  if (excuse) return excuse;
  const style = view.of(element);
  if (style.drawn && style.text('appearance') === 'auto' && borderWidths(style).every((width) => !width)) {
    return exemptEdge('Drawn by the browser, unchanged.');
  }
  const box = geometry?.elements.get(element.order)?.box;
  return box && box.width > 0
    ? atAnyTime(looking, element, (at) => edgeByGeometry(at, element, box))
    : edgeByAncestors(looking, element);
}

/** Colours that a ground may have, one for each place of a gradient. */
export function groundsOf(style: ElementStyle, behind: Rgba): Rgba[] | undefined {
  const base = over(style.colour('background-color'), behind);
  const images = splitTopLevel(style.text('background-image'));
  if (images.length === 1 && images[0] === 'none') return [base];
  const gradient = images.length === 1 ? paintGradient(images[0]!, 100, 100) : undefined;
  return gradient?.colours().map(([r, g, b, alpha]) => {
    const rest = 1 - alpha;
    return { r: r + base.r * rest, g: g + base.g * rest, b: b + base.b * rest, alpha: 1 };
  });
}
