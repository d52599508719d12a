import { over } from '../colour/composite.js';
import { WHITE, type Rgba } from '../colour/rgba.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import type { StyledPage } from '../css/cascade/page-styles.js';
import { isPlacedPseudo, measuredBox, scrolls, type Geometry } from '../page/geometry.js';
import { selfAndAncestors, type ElementNode } from '../tree/tree.js';
import { once } from '../memo/once.js';
import { oncePerShape } from '../css/cascade/once-per-shape.js';
import { backgroundFills, textFills, type BackgroundInput } from './background.js';
import { covers, hull, isEmpty, meets, shared, type Box } from '../page/box.js';
import { outerShadows } from './outer-shadow.js';
import { drawnBy } from './drawn-by.js';
import type { Fill } from './fill.js';
import type { PictureSource } from './pictures.js';
import { groupOf, isMasked, puttingOf, shaped, tagOf, type Doubts } from './putting.js';
import { opacityOf } from './opacity.js';
import { withBlurs, doubtOfBlur } from './blur.js';
import { doubtOf, simplify, type Mark, type SceneGroup, type SceneNode } from './scene-nodes.js';
import { paintOrder, type PaintGroup, type PaintStep } from './stacking.js';

/** What is painted in an area of a page, from back to front, with the place of what is measured in it. */
export interface Scene {
  readonly nodes: readonly SceneNode[];
  readonly basis: Basis;
  /** Why some of it cannot be told. */
  readonly doubt: string | undefined;
}

/** What the colours behind were gathered from: the element's ancestors, or where things really stand. */
export type Basis = 'ancestors' | 'geometry';

/** What a page is looked at with: everything that measuring needs beside the element. */
export interface Looking {
  readonly view: StyledPage;
  readonly geometry: Geometry | undefined;
  readonly pictures: PictureSource;
  /** Bytes of a picture's file, where they are known. */
  readonly weights?: ((address: string) => number | undefined) | undefined;
  /** A colour in place of all that lies beneath something that stays while the page moves. */
  readonly beneath?: { readonly element: ElementNode; readonly colour: Rgba } | undefined;
  /** Shown as if no picture had loaded. */
  readonly withoutPictures?: boolean | undefined;
}

/** The paper under a page in the dark scheme, as Chromium has it. */
const DARK_PAPER: Rgba = { r: 18 / 255, g: 18 / 255, b: 18 / 255, alpha: 1 };

const paperUnder = (root: ElementStyle): Rgba => (root.scheme === 'dark' ? DARK_PAPER : WHITE);
const paperFor = (view: StyledPage): Rgba => paperUnder(view.of(view.styles.tree.root));

/** The element whose ground is painted over the whole canvas (CSS Backgrounds 3, section 2.11.2). */
function canvasOwner(view: StyledPage): ElementNode {
  const { root } = view.styles.tree;
  const paints = (element: ElementNode) => {
    const style = view.of(element);
    return style.text('background-image') !== 'none' || style.colour('background-color').alpha > 0;
  };
  if (paints(root)) return root;
  return root.children.find(({ name }) => name === 'body') ?? root;
}

const bySide = (fills: readonly Fill[], clip: Box | undefined, area: Box | undefined): Fill[] =>
  fills.flatMap((fill): Fill[] => {
    if (!area || fill.box === undefined) return [fill];
    const box = clip ? shared(fill.box, clip) : fill.box;
    if (isEmpty(box) || !meets(box, area)) return [];
    // What covers all of the area has no edges to look at.
    const seen = covers(box, area) ? undefined : box;
    if (fill.kind !== 'solid' || !fill.hole) return [{ ...fill, box: seen }];
    if (covers(fill.hole, area)) return [];
    return [meets(fill.hole, area) ? { ...fill, box: seen } : { ...fill, box: seen, hole: undefined }];
  });

export interface Measurable {
  readonly element: ElementNode;
  /** Name of the pseudo-element whose text it is; it stands where its element does. */
  readonly pseudo?: string | undefined;
  /** The colour of the text; nothing is marked where it is left out. */
  readonly colour?: Rgba | undefined;
  /** An element whose background colour is to be tried in others. */
  readonly tried?: ElementNode | undefined;
  /** What is measured is its own ground, as of a mark that CSS draws: that is left out of what lies behind. */
  readonly isGround?: boolean;
  /** What is measured lies around the element: its own shadows are drawn there, and are not what they lie on. */
  readonly isAround?: boolean;
}

const isSame = (what: Measurable, element: ElementNode, pseudo: string | undefined) =>
  element === what.element && pseudo === what.pseudo;
/** A part that is a pseudo-element has a ground of its own, if it is painted in a place of its own. */
const isTried = (what: Measurable, element: ElementNode, pseudo: string | undefined) =>
  element === what.tried && pseudo === (isPlacedPseudo(what.pseudo) ? what.pseudo : undefined);

/** What is painted in an area of a measured page. */
function fromGeometry(looking: Looking, geometry: Geometry, what: Measurable, area: Box): Scene {
  const why = new Set<string>();
  const doubts: Doubts = { add: (text) => why.add(text) };
  const unblurred = nodesIn(looking, geometry, what, area, doubts);
  const found = withBlurs(unblurred, area, (wider) =>
    nodesIn(looking, geometry, { ...what, colour: undefined }, wider, doubts),
  );
  const isTold = typeof found !== 'string';
  const nodes = isTold ? found : unblurred;
  return { nodes, basis: 'geometry', doubt: (isTold ? undefined : found) ?? doubtOf(nodes) ?? [...why][0] };
}

/** What is painted there, with nothing of it blurred yet. */
function nodesIn(looking: Looking, geometry: Geometry, what: Measurable, area: Box, doubts: Doubts): SceneNode[] {
  const { view, pictures } = looking;
  const viewport: Box = { x: 0, y: 0, width: geometry.width, height: geometry.height };
  const owner = canvasOwner(view);
  const { root } = view.styles.tree;
  const input = (style: ElementStyle, box: Box, element: ElementNode, pseudo?: string): BackgroundInput => ({
    style,
    box,
    viewport,
    scrolls: scrolls(geometry),
    pictures,
    tag: tagOf(element, pseudo),
    tried: isTried(what, element, pseudo) ? element : undefined,
  });
  const canvasBox = geometry.elements.get(root.order)?.box ?? viewport;
  const canvas = backgroundFills(input(view.of(owner), canvasBox, owner)).map((fill): Fill => ({
    ...fill,
    box: undefined,
  }));

  const nodesOf = (step: PaintStep): SceneNode[] => {
    const { element, pseudo, box, clip } = step;
    const style = view.of(element, pseudo);
    const isMeasured = isSame(what, element, pseudo);
    const mark =
      what.colour && (isMeasured || (element === what.element && !isPlacedPseudo(what.pseudo)))
        ? [markOf(looking, what, what.colour, box, viewport)]
        : [];
    if (step.kind === 'ground') {
      const isLeftOut = (element === owner && !pseudo) || (what.isGround && isMeasured) || !meets(box, area);
      const fills = isLeftOut ? [] : bySide(backgroundFills(input(style, box, element, pseudo)), clip, area);
      const isOwn = isMeasured && (what.isGround || what.isAround);
      const around = isOwn ? [] : bySide(outerShadows(style, box), clip, area);
      // A pseudo-element has no step of its own for what it holds.
      return pseudo ? [...around, ...fills, ...mark] : [...around, ...fills];
    }
    // An icon is not behind itself.
    const drawn = element === what.element ? undefined : drawnBy(element, style, box, pictures, view.styles.known.base);
    return drawn ? [...bySide([drawn], clip, area), ...mark] : mark;
  };
  // What is fully transparent paints nothing, and its filters change nothing of what lies behind it.
  const isClear = ({ element, pseudo }: PaintGroup): boolean => puttingOf(view.of(element, pseudo)).opacity === 0;
  const build = (group: PaintGroup): SceneGroup => {
    const { element, pseudo } = group;
    const style = view.of(element, pseudo);
    const nodes = group.steps.flatMap((step): SceneNode[] =>
      step.kind !== 'group' ? nodesOf(step) : isClear(step) ? [] : [build(step)],
    );
    const left = shaped(nodes, style, measuredBox(geometry, element, pseudo), area, element);
    return groupOf(element, style, left, doubts, what.isGround && isSame(what, element, pseudo));
  };
  // The mark of a list item is painted with it, and may stand beside it.
  const item = what.pseudo === 'marker' && measuredBox(geometry, what.element);
  const order = paintOrder({ view, geometry, root, area: item ? hull([area, item]) : area });
  const { beneath } = looking;
  const above = beneath && groupIn(order, beneath.element);
  if (above) return simplify([{ kind: 'solid', colour: beneath.colour, box: undefined }, build(above)]);
  const tree = build(order);
  return simplify([{ kind: 'solid', colour: paperFor(view), box: undefined }, ...canvas, tree]);
}

/** What an element paints as one, wherever that is within another. */
function groupIn(group: PaintGroup, element: ElementNode): PaintGroup | undefined {
  if (group.element === element && !group.pseudo) return group;
  for (const step of group.steps) {
    const found = step.kind === 'group' ? groupIn(step, element) : undefined;
    if (found) return found;
  }
  return undefined;
}

function markOf(looking: Looking, what: Measurable, colour: Rgba, box: Box | undefined, viewport: Box): Mark {
  const style = looking.view.of(what.element);
  const clipped =
    what.pseudo === undefined
      ? textFills({ style, box, viewport, pictures: looking.pictures, tag: tagOf(what.element) })
      : [];
  const own: Fill = { kind: 'solid', colour, box: undefined };
  return { kind: 'mark', fills: [...clipped, own] };
}

/** What lies behind as far as the ancestors tell: each ground is taken to lie behind all of the text. */
function fromAncestors(looking: Looking, what: Measurable): Scene {
  const { view, pictures } = looking;
  const why = new Set<string>();
  const doubts: Doubts = { add: (text) => why.add(text) };
  const { environment } = view.styles;
  const viewport: Box = { x: 0, y: 0, width: environment.width, height: environment.height };
  let nodes: SceneNode[] = what.colour ? [markOf(looking, what, what.colour, undefined, viewport)] : [];
  let covered = false;
  const fillsOf = (element: ElementNode, pseudo?: string) => {
    if (what.isGround && isSame(what, element, pseudo)) return [];
    const tried = isTried(what, element, pseudo) ? element : undefined;
    const style = view.of(element, pseudo);
    return backgroundFills({ style, box: undefined, viewport, pictures, tag: tagOf(element, pseudo), tried });
  };
  if (isPlacedPseudo(what.pseudo)) {
    const style = view.of(what.element, what.pseudo);
    const own = [...fillsOf(what.element, what.pseudo), ...nodes];
    nodes = [groupOf(what.element, style, own, doubts, what.isGround)];
  }
  for (const element of selfAndAncestors(what.element)) {
    const style = view.of(element);
    const fills = fillsOf(element);
    const isCutOut = what.isGround && isSame(what, element, undefined);
    nodes = [groupOf(element, style, [...fills, ...nodes], doubts, isCutOut)];
    if (fills.some((fill) => fill.kind === 'solid' && fill.colour.alpha >= 1)) covered = true;
    // A faded group lets through what lies outside it.
    if (opacityOf(style) < 1) covered = false;
    const position = style.text('position');
    if (!covered && element.parent && /^(absolute|fixed|sticky)$/.test(position)) {
      doubts.add(`<${element.name}> is placed over other content, which CSS alone does not tell.`);
    }
  }
  const all = simplify([{ kind: 'solid', colour: paperFor(view), box: undefined }, ...nodes]);
  return { nodes: all, basis: 'ancestors', doubt: doubtOf(all) ?? doubtOfBlur(all) ?? [...why][0] };
}

/** True where an element's ground is at most a colour, and lies on what is behind as it is and stays in its place. */
const hasPlainGround = oncePerShape((style) => {
  const { opacity, mode, filters, inexact } = puttingOf(style);
  return (
    opacity === 1 &&
    !isMasked(style) &&
    mode === 'normal' &&
    !filters.length &&
    !inexact.length &&
    style.text('backdrop-filter') === 'none' &&
    !style.text('background-clip').includes('text') &&
    /^(static|relative|sticky)$/.test(style.text('position'))
  );
});

/**
 * The colour behind what an element holds, where neither it nor its ancestors paint more than plain colours. The same
 * that `groundOf` comes to, without a scene; undefined where it takes one.
 */
export const plainGround = once((style: ElementStyle): Rgba | undefined => {
  if (!hasPlainGround(style) || style.text('background-image') !== 'none') return undefined;
  const behind = style.parent ? plainGround(style.parent) : paperUnder(style);
  return behind && over(style.colour('background-color'), behind);
});

/** Grounds that were put together, by the style of the element, which has those of its ancestors, and by the pictures. */
const grounds = once((_style: ElementStyle) => once((_pictures: PictureSource) => new Map<number, Scene>()));

/** What an element and its ancestors paint behind what it holds, wherever they stand. */
export function groundOf(looking: Looking, element: ElementNode): Scene {
  const pictures = looking.withoutPictures ? NOTHING : looking.pictures;
  const known = grounds(looking.view.of(element))(pictures);
  let scene = known.get(element.order);
  if (!scene) known.set(element.order, (scene = fromAncestors({ ...looking, pictures }, { element })));
  return scene;
}

/**
 * What is painted where something is to be measured, from the page's geometry where the element was measured, and else
 * from its ancestors.
 *
 * @param area of the text, or of what is looked at
 */
export function sceneFor(looking: Looking, what: Measurable, area: Box | undefined): Scene {
  const { geometry } = looking;
  const pictures = looking.withoutPictures ? NOTHING : looking.pictures;
  const at = { ...looking, pictures };
  return geometry && area ? fromGeometry(at, geometry, what, area) : fromAncestors(at, what);
}

const NOTHING: PictureSource = () => null;
