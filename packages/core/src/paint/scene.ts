import { over } from '../colour/composite.js';
import { WHITE, type Rgba } from '../colour/rgba.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import type { StyledPage } from '../css/cascade/page-styles.js';
import type { Geometry } from '../page/geometry.js';
import { selfAndAncestors, type ElementNode } from '../tree/tree.js';
import { once } from '../memo/once.js';
import { oncePerShape } from '../css/cascade/once-per-shape.js';
import { backgroundFills, textFills, type BackgroundInput } from './background.js';
import { BLENDS } from './blend.js';
import { contentBox } from './boxes.js';
import { covers, isEmpty, meets, shared, type Box } from '../page/box.js';
import type { Fill } from './fill.js';
import { readFilters } from './filters.js';
import { picturePattern, TOO_COSTLY, whyNoPixels, type PictureSource } from './pictures.js';
import { pictureOf } from './replaced.js';
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
  /** Shown as if no picture had loaded. */
  readonly withoutPictures?: boolean | undefined;
}

/** The paper under a page in the dark scheme, as Chromium has it. */
const DARK_PAPER: Rgba = { r: 18 / 255, g: 18 / 255, b: 18 / 255, alpha: 1 };

const tagOf = (element: ElementNode, pseudo?: string) => `<${element.name}${pseudo ? `::${pseudo}` : ''}>`;

interface Doubts {
  add: (why: string) => void;
}

/** How what an element paints is put on what lies behind it. */
const puttingOf = oncePerShape((style: ElementStyle) => {
  const { apply, inexact } = readFilters(style.text('filter'));
  const mode = style.text('mix-blend-mode');
  const opacity = opacityOf(style);
  const key = `${opacity} ${mode} ${style.text('filter')}`;
  return { key, opacity, mode, blend: mode === 'normal' ? undefined : BLENDS[mode], filters: apply, inexact };
});

function groupOf(element: ElementNode, style: ElementStyle, nodes: readonly SceneNode[], doubts: Doubts): SceneGroup {
  const { key, opacity, mode, blend, filters, inexact } = puttingOf(style);
  if (inexact.length) doubts.add(`A filter changes the colours of ${tagOf(element)}.`);
  if (mode !== 'normal' && !blend) doubts.add(`${tagOf(element)} is blended with what lies behind it.`);
  return { kind: 'group', key, opacity, blend, filters, nodes };
}

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
}

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
    pictures,
    tag: tagOf(element, pseudo),
    tried: element === what.tried && !pseudo ? element : undefined,
  });
  const canvasBox = geometry.elements.get(root.order)?.box ?? viewport;
  const canvas = backgroundFills(input(view.of(owner), canvasBox, owner)).map((fill): Fill => ({
    ...fill,
    box: undefined,
  }));

  const nodesOf = (step: PaintStep): SceneNode[] => {
    const { element, pseudo, box, clip } = step;
    const style = view.of(element, pseudo);
    if (step.kind === 'ground') {
      if ((element === owner && !pseudo) || !meets(box, area)) return [];
      return bySide(backgroundFills(input(style, box, element, pseudo)), clip, area);
    }
    const nodes: SceneNode[] = [];
    // An icon is not behind itself.
    const drawn = element === what.element ? undefined : drawnBy(looking, element, style, box);
    if (drawn) nodes.push(...bySide([drawn], clip, area));
    if (element === what.element && what.colour) nodes.push(markOf(looking, what, what.colour, box, viewport));
    return nodes;
  };
  // What is fully transparent paints nothing, and its filters change nothing of what lies behind it.
  const isClear = ({ element, pseudo }: PaintGroup): boolean => puttingOf(view.of(element, pseudo)).opacity === 0;
  const build = (group: PaintGroup): SceneGroup =>
    groupOf(
      group.element,
      view.of(group.element, group.pseudo),
      group.steps.flatMap((step): SceneNode[] =>
        step.kind !== 'group' ? nodesOf(step) : isClear(step) ? [] : [build(step)],
      ),
      doubts,
    );
  const tree = build(paintOrder({ view, geometry, root, area }));
  return simplify([{ kind: 'solid', colour: paperFor(view), box: undefined }, ...canvas, tree]);
}

function drawnBy(looking: Looking, element: ElementNode, style: ElementStyle, box: Box): Fill | undefined {
  const picture = pictureOf(element, looking.view.styles.known.base);
  if (!picture) return undefined;
  const inside = contentBox(style, box);
  if (picture.kind === 'unknown') return { kind: 'unknown', why: `${picture.why} (<${element.name}>).`, box: inside };
  const field = looking.pictures(picture.address);
  if (field === null) return undefined;
  if (!field || field === TOO_COSTLY)
    return { kind: 'unknown', why: whyNoPixels(`<${element.name}>`, field), box: inside };
  const fitted = fit(style.text('object-fit'), field.natural, inside);
  const pattern = picturePattern(field, fitted.width, fitted.height);
  return {
    kind: 'pattern',
    pattern,
    tiling: { x: fitted.x, y: fitted.y, stepX: undefined, stepY: undefined },
    box: inside,
    what: 'picture',
  };
}

/** Where a picture is drawn in its box, in the middle unless it is stretched (CSS Images 3, section 5.5). */
function fit(how: string, natural: { readonly width: number; readonly height: number }, box: Box): Box {
  const scales = [box.width / natural.width, box.height / natural.height];
  const scale =
    how === 'cover'
      ? Math.max(...scales)
      : how === 'contain'
        ? Math.min(...scales)
        : how === 'none'
          ? 1
          : how === 'scale-down'
            ? Math.min(1, ...scales)
            : undefined;
  if (scale === undefined) return box;
  const [width, height] = [natural.width * scale, natural.height * scale];
  return { x: box.x + (box.width - width) / 2, y: box.y + (box.height - height) / 2, width, height };
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
  for (const element of selfAndAncestors(what.element)) {
    const style = view.of(element);
    const tried = element === what.tried ? element : undefined;
    const fills = backgroundFills({ style, box: undefined, viewport, pictures, tag: tagOf(element), tried });
    nodes = [groupOf(element, style, [...fills, ...nodes], covered ? { add: () => undefined } : doubts)];
    if (fills.some((fill) => fill.kind === 'solid' && fill.colour.alpha >= 1)) covered = true;
    // A faded group lets through what lies outside it.
    if (opacityOf(style) < 1) covered = false;
    const position = style.text('position');
    if (!covered && element.parent && (position === 'absolute' || position === 'fixed')) {
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
