import type { ElementStyle } from '../css/cascade/element-style.js';
import type { StyledPage } from '../css/cascade/page-styles.js';
import { type Geometry, type PlacedPseudo } from '../page/geometry.js';
import type { ElementNode } from '../tree/tree.js';
import { once } from '../memo/once.js';
import { oncePerShape } from '../css/cascade/once-per-shape.js';
import { paddingBox } from './boxes.js';
import { meets, shared, type Box } from '../page/box.js';
import { opacityOf } from './opacity.js';
import { shadowed } from './shadowed.js';

/** One thing that a page paints: the ground of an element or pseudo-element, or what it holds itself. */
export interface PaintStep {
  readonly kind: 'ground' | 'content';
  readonly element: ElementNode;
  readonly pseudo: PlacedPseudo | undefined;
  readonly box: Box;
  /** What of it is not cut off; undefined where nothing cuts. */
  readonly clip: Box | undefined;
}

/** What is painted on its own and then put on what is behind as one. */
export interface PaintGroup {
  readonly kind: 'group';
  readonly element: ElementNode;
  readonly pseudo: PlacedPseudo | undefined;
  readonly steps: readonly (PaintStep | PaintGroup)[];
}

type Item = PaintStep | PaintGroup;

/** Stages of a stacking context. Source: CSS 2.2, appendix E.2. */
interface Stages {
  readonly below: { z: number; items: Item[] }[];
  readonly blocks: Item[];
  readonly floats: Item[];
  readonly inlines: Item[];
  readonly level: Item[][];
  readonly above: { z: number; items: Item[] }[];
}

const stages = (): Stages => ({ below: [], blocks: [], floats: [], inlines: [], level: [], above: [] });

const byDepth = (layers: { z: number; items: Item[] }[]): Item[] =>
  layers.sort((a, b) => a.z - b.z).flatMap(({ items }) => items);

const inOrder = (all: Stages): Item[] => [
  ...byDepth(all.below),
  ...all.blocks,
  ...all.floats,
  ...all.inlines,
  ...all.level.flat(),
  ...byDepth(all.above),
];

/** True where what is in it is blended as one before it meets what is behind. */
const isGroup = (style: ElementStyle): boolean =>
  opacityOf(style) < 1 ||
  style.text('mix-blend-mode') !== 'normal' ||
  style.text('filter') !== 'none' ||
  style.text('isolation') === 'isolate';

const MAKES_CONTEXT = /\b(transform|opacity|filter|perspective|translate|rotate|scale|z-index|mix-blend-mode)\b/;

/** What of a style decides where in the order an element is painted. */
interface Place {
  readonly display: string;
  readonly position: string;
  readonly isVisible: boolean;
  readonly isFloat: boolean;
  readonly zIndex: string;
  readonly isCut: boolean;
  readonly isTransformed: boolean;
  /** Its children are laid out as flexible or grid items. */
  readonly isFlexible: boolean;
  /** It makes a stacking context, whatever its parent is. */
  readonly isContext: boolean;
}

const placeOf = oncePerShape((style: ElementStyle): Place => {
  const display = style.text('display');
  const position = style.text('position');
  const zIndex = style.text('z-index');
  return {
    display,
    position,
    zIndex,
    isVisible: style.text('visibility') === 'visible',
    isFloat: style.text('float') !== 'none',
    isCut: style.text('overflow-x') !== 'visible' || style.text('overflow-y') !== 'visible',
    isTransformed: style.text('transform') !== 'none',
    isFlexible: /flex|grid/.test(display),
    isContext: makesContext(style, position, zIndex),
  };
});

const APART = [
  'transform',
  'translate',
  'rotate',
  'scale',
  'perspective',
  'clip-path',
  'mask-image',
  'backdrop-filter',
] as const;

/** Whether an element makes a stacking context (CSS Positioned Layout 4, section 2.1, and the modules that add to it). */
function makesContext(style: ElementStyle, position: string, zIndex: string): boolean {
  if (position === 'fixed' || position === 'sticky' || isGroup(style)) return true;
  if (zIndex !== 'auto' && position !== 'static') return true;
  return (
    APART.some((property) => style.text(property) !== 'none') ||
    /\b(paint|layout|strict|content)\b/.test(style.text('contain')) ||
    MAKES_CONTEXT.test(style.text('will-change'))
  );
}

/** A flexible or grid item makes one with any z-index. */
const isItemContext = ({ zIndex }: Place, parent: Place | undefined): boolean =>
  zIndex !== 'auto' && parent !== undefined && parent.isFlexible;

const ATOMIC = /^inline-|^ruby/;

export interface StackingInput {
  readonly view: StyledPage;
  readonly geometry: Geometry;
  readonly root: ElementNode;
  /** Only what paints here is wanted. */
  readonly area: Box;
}

interface Inherited {
  readonly clip: Box | undefined;
  /** What cuts off absolutely placed elements: clips of positioned ancestors only. */
  readonly absoluteClip: Box | undefined;
}

const near = new WeakMap<Geometry, Map<string, readonly number[]>>();
/** Areas of one page that are remembered. */
const MOST_AREAS = 2000;

const areaKey = ({ x, y, width, height }: Box) => `${x},${y},${width},${height}`;

/** Boxes of a page's elements and their pseudo-elements as left, top, right, bottom, with the elements' places. */
const allBoxes = once((geometry: Geometry) => {
  const places: number[] = [];
  const sides: number[] = [];
  for (const [order, { box, before, after }] of geometry.elements) {
    for (const own of [box, before, after]) {
      if (!own) continue;
      places.push(order);
      sides.push(own.x, own.y, own.x + own.width, own.y + own.height);
    }
  }
  return { places: Int32Array.from(places), boxes: Float64Array.from(sides) };
});

/** Places in the document of elements that could paint in an area. */
function ordersIn(geometry: Geometry, area: Box): readonly number[] {
  let known = near.get(geometry);
  if (!known) near.set(geometry, (known = new Map()));
  const key = areaKey(area);
  let orders = known.get(key);
  if (!orders) {
    const found: number[] = [];
    const { places, boxes } = allBoxes(geometry);
    const [left, top, right, bottom] = [area.x, area.y, area.x + area.width, area.y + area.height];
    for (let i = 0, at = 0; i < places.length; i++, at += 4) {
      const isMet = boxes[at]! < right && left < boxes[at + 2]! && boxes[at + 1]! < bottom && top < boxes[at + 3]!;
      if (isMet && found.at(-1) !== places[i]) found.push(places[i]!);
    }
    if (known.size >= MOST_AREAS) known.clear();
    known.set(key, (orders = found));
  }
  return orders;
}

/** Elements that could paint in an area, and what holds them. */
function wantedIn({ view, geometry, area, root }: StackingInput, elements: readonly ElementNode[]): Set<ElementNode> {
  const wanted = new Set<ElementNode>([root]);
  const throwing = shadowed(view.styles.at().shape)(geometry).filter(({ box }) => meets(box, area));
  for (const order of [...ordersIn(geometry, area), ...throwing.map((own) => own.order)]) {
    for (let node: ElementNode | undefined = elements[order]; node && !wanted.has(node); node = node.parent)
      wanted.add(node);
  }
  return wanted;
}

/**
 * What a page paints in an area, from back to front. Source: CSS 2.2, appendix E; inside an element that makes no
 * context of its own but is painted as one (floats, inline blocks, positioned without a z-index) only what has a
 * context or is positioned takes part further out.
 */
export function paintOrder({ view, geometry, root, area }: StackingInput): PaintGroup {
  // Colours have no say in it, so it is kept for all views that differ in nothing else.
  const known = orders(view.shape)(geometry);
  const key = areaKey(area);
  let order = known.get(key);
  if (!order) {
    if (known.size >= MOST_AREAS) known.clear();
    known.set(key, (order = orderAfresh({ view: view.shape, geometry, root, area })));
  }
  return order;
}

const orders = once((_view: StyledPage) => once((_geometry: Geometry) => new Map<string, PaintGroup>()));

function orderAfresh(input: StackingInput): PaintGroup {
  const { view, geometry, root } = input;
  const wanted = wantedIn(input, view.styles.tree.elements);

  const visit = (
    element: ElementNode,
    parent: Place | undefined,
    context: Stages,
    own: Stages,
    from: Inherited,
  ): void => {
    const style = view.of(element);
    const place = placeOf(style);
    const { display, position } = place;
    if (display === 'none') return;
    const measured = geometry.elements.get(element.order);
    const isPlaced = position !== 'static';
    const clip = position === 'fixed' ? undefined : position === 'absolute' ? from.absoluteClip : from.clip;
    const inside = cut(style, place, measured?.box, clip, from.absoluteClip, isPlaced);
    const isContext = element === root || place.isContext || isItemContext(place, parent);
    // Items of a flexible box or grid are painted as inline blocks are (CSS Flexbox 1, section 4.3).
    const isOwn = isContext || isPlaced || place.isFloat || ATOMIC.test(display) || parent?.isFlexible === true;
    const ground: PaintStep[] =
      measured && place.isVisible && display !== 'contents'
        ? [{ kind: 'ground', element, pseudo: undefined, box: measured.box, clip }]
        : [];
    const content: PaintStep[] = ground.map((step) => ({ ...step, kind: 'content' }));
    const walk = (outer: Stages, inner: Stages) => {
      const pseudo = (name: PlacedPseudo) => {
        const box = measured?.[name];
        if (box) visitPseudo(element, name, box, outer, inner, inside);
      };
      pseudo('before');
      for (const child of element.children) if (wanted.has(child)) visit(child, place, outer, inner, inside);
      pseudo('after');
    };
    if (!isOwn) {
      if (display === 'inline') own.inlines.push(...ground, ...content);
      else {
        own.blocks.push(...ground);
        own.inlines.push(...content);
      }
      walk(context, own);
      return;
    }
    const inner = stages();
    inner.inlines.push(...content);
    // It takes its place before what stands inside it and takes part further out.
    const painted: Item[] = [];
    if (isPlaced || isContext) placeLayer(painted, place, context);
    walk(isContext ? inner : context, inner);
    const items: Item[] = [...ground, ...inOrder(inner)];
    if (isContext) painted.push({ kind: 'group', element, pseudo: undefined, steps: items });
    else painted.push(...items);
    if (!isPlaced && !isContext) (place.isFloat ? own.floats : own.inlines).push(...painted);
  };

  const visitPseudo = (
    element: ElementNode,
    pseudo: PlacedPseudo,
    box: Box,
    outer: Stages,
    own: Stages,
    from: Inherited,
  ) => {
    const style = view.of(element, pseudo);
    const place = placeOf(style);
    const { position } = place;
    if (style.text('content') === 'none' || style.text('content') === 'normal' || place.display === 'none') return;
    if (!place.isVisible) return;
    const clip = position === 'fixed' ? undefined : position === 'absolute' ? from.absoluteClip : from.clip;
    const ground: PaintStep = { kind: 'ground', element, pseudo, box, clip };
    const isContext = place.isContext || isItemContext(place, placeOf(view.of(element)));
    const items: Item[] = isContext ? [{ kind: 'group', element, pseudo, steps: [ground] }] : [ground];
    if (isContext || position !== 'static') placeLayer(items, place, outer);
    else own.inlines.push(...items);
  };

  const outermost = stages();
  visit(root, undefined, outermost, outermost, { clip: undefined, absoluteClip: undefined });
  return inOrder(outermost)[0] as PaintGroup;
}

function placeLayer(items: Item[], { zIndex }: Place, context: Stages): void {
  const z = Number.parseInt(zIndex, 10) || 0;
  if (z < 0) context.below.push({ z, items });
  else if (z > 0) context.above.push({ z, items });
  else context.level.push(items);
}

/** What an element lets be seen of what it holds. */
function cut(
  style: ElementStyle,
  { isCut, isTransformed }: Place,
  box: Box | undefined,
  clip: Box | undefined,
  absoluteClip: Box | undefined,
  isPlaced: boolean,
): Inherited {
  const own = isCut && box ? paddingBox(style, box) : undefined;
  const both = own ? (clip ? shared(clip, own) : own) : clip;
  return { clip: both, absoluteClip: isPlaced || isTransformed ? both : absoluteClip };
}
