import { spacedTerms } from '../value/split-text.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import type { ElementNode } from '../tree/tree.js';
import { splitTopLevel } from '../css/values/split.js';
import { once } from '../memo/once.js';
import { inset, shared, type Box } from '../page/box.js';
import { outerHalf, sideColours } from './border-colour.js';
import { borderWidths, namedBox, SIDES, type Side } from './boxes.js';
import type { Fill, Pattern, Tiling } from './fill.js';
import { readFilters } from './filters.js';
import { paintGradient } from './gradient/gradient.js';
import { insetShadows } from './inset-shadow.js';
import { lengthIn } from './length.js';
import { picturePattern, TOO_COSTLY, whyNoPixels, type PictureSource } from './pictures.js';

export interface BackgroundInput {
  readonly style: ElementStyle;
  /** Border box; undefined where no geometry is known. */
  readonly box: Box | undefined;
  readonly viewport: Box;
  /** The page is longer than its window, so that what is fixed to the window moves behind what is not. */
  readonly scrolls?: boolean;
  readonly pictures: PictureSource;
  /** Name of the element in messages. */
  readonly tag: string;
  /** The element, where its colour may be tried in others; then even a transparent one is painted. */
  readonly tried?: ElementNode | undefined;
}

interface LayerTexts {
  readonly image: string;
  readonly size: string;
  readonly x: string;
  readonly y: string;
  readonly repeat: string;
  readonly origin: string;
  readonly clip: string;
  readonly attachment: string;
  readonly blend: string;
}

function layersOf(style: ElementStyle): LayerTexts[] {
  const images = splitTopLevel(style.text('background-image'));
  if (images.length === 1 && images[0] === 'none') return [];
  const list = (property: string) => splitTopLevel(style.text(property));
  const [sizes, xs, ys] = [list('background-size'), list('background-position-x'), list('background-position-y')];
  const [repeats, origins, clips] = [list('background-repeat'), list('background-origin'), list('background-clip')];
  const [attachments, blends] = [list('background-attachment'), list('background-blend-mode')];
  const of = (items: readonly string[], i: number) => items[i % items.length] ?? '';
  return images.map((image, i) => ({
    image,
    size: of(sizes, i),
    x: of(xs, i),
    y: of(ys, i),
    repeat: of(repeats, i),
    origin: of(origins, i),
    clip: of(clips, i),
    attachment: of(attachments, i),
    blend: of(blends, i),
  }));
}

const QUOTED = /^(?:"(?:[^"\\]|\\.)*"|'(?:[^'\\]|\\.)*')$/;

/** The address in a computed url(); undefined for another image. */
export const addressIn = (image: string): string | undefined => {
  const text = image.trim();
  if (!/^url\(/i.test(text) || !text.endsWith(')')) return undefined;
  const inner = text.slice(4, -1).trim();
  if (QUOTED.test(inner)) return inner.slice(1, -1);
  return inner.includes(')') ? undefined : inner;
};

interface Natural {
  readonly width: number | undefined;
  readonly height: number | undefined;
}

/** The size that a picture is drawn at. Source: CSS Backgrounds 3, section 2.9. */
function sizeOf(size: string, natural: Natural, area: Box): { width: number; height: number } | undefined {
  const known = natural.width !== undefined && natural.height !== undefined && natural.height > 0;
  const ratio = known ? natural.width / natural.height : undefined;
  if (size === 'cover' || size === 'contain') {
    if (ratio === undefined) return area;
    const choose = size === 'cover' ? Math.max : Math.min;
    const scale = choose(area.width / natural.width!, area.height / natural.height!);
    return { width: natural.width! * scale, height: natural.height! * scale };
  }
  const [across = 'auto', down = 'auto'] = spacedTerms(size);
  const width = across === 'auto' ? undefined : lengthIn(across, area.width);
  const height = down === 'auto' ? undefined : lengthIn(down, area.height);
  if ((across !== 'auto' && width === undefined) || (down !== 'auto' && height === undefined)) return undefined;
  if (width !== undefined && height !== undefined) return { width, height };
  if (width !== undefined) return { width, height: ratio === undefined ? area.height : width / ratio };
  if (height !== undefined) return { width: ratio === undefined ? area.width : height * ratio, height };
  return { width: natural.width ?? area.width, height: natural.height ?? area.height };
}

function tilingOf(layer: LayerTexts, tile: { width: number; height: number }, area: Box): Tiling | undefined {
  const x = lengthIn(layer.x, area.width - tile.width);
  const y = lengthIn(layer.y, area.height - tile.height);
  if (x === undefined || y === undefined) return undefined;
  const [across = 'repeat', down = across] =
    layer.repeat === 'repeat-x'
      ? ['repeat', 'no-repeat']
      : layer.repeat === 'repeat-y'
        ? ['no-repeat', 'repeat']
        : layer.repeat.split(/\s+/);
  // Tiles with space between them: as many as fit, the rest spread (CSS Backgrounds 3, section 2.4).
  const along = (word: string, start: number, size: number, from: number, room: number) => {
    if (word === 'no-repeat') return { at: from + start, step: undefined };
    if (word !== 'space') return { at: from + start, step: size };
    const count = Math.floor(room / size);
    return count < 2
      ? { at: from + start, step: undefined }
      : { at: from, step: size + (room - count * size) / (count - 1) };
  };
  const horizontal = along(across, x, tile.width, area.x, area.width);
  const vertical = along(down, y, tile.height, area.y, area.height);
  return { x: horizontal.at, y: vertical.at, stepX: horizontal.step, stepY: vertical.step };
}

/** `round` makes tiles larger or smaller until a whole number of them fits. */
function rounded(layer: LayerTexts, tile: { width: number; height: number }, area: Box) {
  const [across, down = across] = layer.repeat.split(/\s+/);
  const fit = (word: string | undefined, size: number, room: number) =>
    word === 'round' && size > 0 ? room / Math.max(1, Math.round(room / size)) : size;
  return { width: fit(across, tile.width, area.width), height: fit(down, tile.height, area.height) };
}

/** Where no box is known a pattern stands for all its colours; its size has no say in those. */
const ANY = 100;

function layerFill(
  layer: LayerTexts,
  { style, box, viewport, scrolls, pictures, tag }: BackgroundInput,
): Fill | undefined {
  if (layer.image === 'none' || layer.clip === 'text') return undefined;
  const painted = box && namedBox(layer.clip, style, box);
  const unknown = (why: string): Fill => ({ kind: 'unknown', why, box: painted });
  if (layer.blend !== 'normal') return unknown(`The layers of the background of ${tag} are blended.`);
  const address = addressIn(layer.image);
  const picture = address === undefined ? undefined : pictures(address);
  // One that is known not to load paints nothing.
  if (picture === null) return undefined;
  const isCostly = picture === TOO_COSTLY;
  const field = isCostly ? undefined : picture;
  const area = box && (layer.attachment === 'fixed' ? viewport : namedBox(layer.origin, style, box));
  const natural: Natural = field?.natural ?? { width: undefined, height: undefined };
  const given = area ? sizeOf(layer.size, natural, area) : { width: ANY, height: ANY };
  if (!given) return unknown(`The size of the background of ${tag} cannot be told.`);
  const tile = area ? rounded(layer, given, area) : given;
  if (tile.width <= 0 || tile.height <= 0) return undefined;
  if (address !== undefined && !field) {
    const missing = unknown(whyNoPixels(`on ${tag}`, isCostly ? TOO_COSTLY : undefined));
    // Of a single one it is known where it would be.
    const place = area && layer.repeat === 'no-repeat' ? tilingOf(layer, tile, area) : undefined;
    return place ? { ...missing, box: shared(painted!, { ...place, ...tile }) } : missing;
  }
  const drawn = paintGradient(layer.image, tile.width, tile.height);
  const pattern: Pattern | undefined = field
    ? picturePattern(field, tile.width, tile.height)
    : drawn && { key: `${layer.image} ${tile.width} ${tile.height}`, ...tile, ...drawn };
  if (!pattern) return unknown(`What is painted on ${tag} cannot be told from its CSS.`);
  const tiling = area && tilingOf(layer, tile, area);
  if (area && !tiling) return unknown(`The place of the background of ${tag} cannot be told.`);
  const moves = layer.attachment === 'fixed' && scrolls;
  return {
    kind: 'pattern',
    pattern,
    tiling: moves ? undefined : tiling,
    box: painted,
    what: field ? 'picture' : 'gradient',
  };
}

/** Whether a picture or gradient is painted in place of the borders. */
export const hasBorderImage = (style: ElementStyle): boolean =>
  style.text('border-image-source') !== 'none' && borderWidths(style).some((width) => width > 0);

/** All around, or also over the ground (CSS Backgrounds 3, section 5.2). */
function borderImageFills(style: ElementStyle, box: Box, widths: ReturnType<typeof borderWidths>, tag: string): Fill[] {
  const why = `A picture or gradient is painted as the border of ${tag}.`;
  if (/\bfill\b/.test(style.text('border-image-slice'))) return [{ kind: 'unknown', why, box }];
  return SIDES.map((side, i): Fill => ({ kind: 'unknown', why, box: sideOf(side, box, widths[i]!) }));
}

/** The strip along one side of a box. */
const sideOf = (side: Side, box: Box, width: number): Box =>
  side === 'top'
    ? { ...box, height: width }
    : side === 'bottom'
      ? { ...box, y: box.y + box.height - width, height: width }
      : side === 'left'
        ? { ...box, width }
        : { ...box, x: box.x + box.width - width, width };

/** The four borders, each a strip of its side. */
export function borderFills(style: ElementStyle, box: Box, tag: string): Fill[] {
  const widths = borderWidths(style);
  if (hasBorderImage(style)) return borderImageFills(style, box, widths, tag);
  return SIDES.flatMap((side, i): Fill[] => {
    const width = widths[i]!;
    if (width <= 0) return [];
    const { outer, inner } = sideColours(style, side);
    const all: Fill = { kind: 'solid', colour: outer, box: sideOf(side, box, width) };
    if (inner === outer) return [all];
    // The outer half is painted alone, since what is clear in it is clear to what lies behind.
    const half = outerHalf(width);
    const [top, right, bottom, left] = SIDES.map((own) => (own === side ? half : 0));
    const within = inset(box, [top!, right!, bottom!, left!]);
    return [
      { ...all, box: sideOf(side, box, half) },
      { kind: 'solid', colour: inner, box: sideOf(side, within, width - half) },
    ];
  });
}

/** Grounds without pictures and gradients, by their boxes: they depend on nothing else. */
const plainFills = once((_style: ElementStyle) => new WeakMap<object, readonly Fill[]>());
/** Stands for the box where none is known. */
const NO_BOX = {};

/**
 * What the ground of an element paints, from back to front: its colour, its layers, shadows inside it, its borders.
 * Source: CSS Backgrounds 3, sections 2.10 and 6.
 */
export function backgroundFills(input: BackgroundInput): readonly Fill[] {
  const { style, box, tried } = input;
  if (tried || style.text('background-image') !== 'none') return fillsOf(input);
  const known = plainFills(style);
  let fills = known.get(box ?? NO_BOX);
  if (!fills) known.set(box ?? NO_BOX, (fills = fillsOf(input)));
  return fills;
}

function fillsOf(input: BackgroundInput): Fill[] {
  const { style, box } = input;
  const clips = splitTopLevel(style.text('background-clip'));
  const layers = layersOf(style);
  const fills: Fill[] = [];
  const key = style.text('backdrop-filter');
  const { apply, blur, inexact } = readFilters(key);
  if (inexact.some((name) => name !== 'blur')) {
    fills.push({ kind: 'unknown', why: `A filter changes what lies behind (${input.tag}).`, box });
  }
  if (apply.length || blur) fills.push({ kind: 'backdrop', key, apply, blur, from: box, box });
  const colour = style.colour('background-color');
  // The colour is clipped as the last layer is.
  const clip = clips.at(-1) ?? 'border-box';
  if ((colour.alpha > 0 || input.tried) && clip !== 'text') {
    fills.push({ kind: 'solid', colour, box: box && namedBox(clip, style, box), ground: input.tried });
  }
  for (const layer of layers.reverse()) {
    const fill = layerFill(layer, input);
    if (fill) fills.push(fill);
  }
  fills.push(...insetShadows(style, box, input.tag));
  if (box) fills.push(...borderFills(style, box, input.tag));
  return fills;
}

/** What paints the letters themselves where the ground is clipped to them; empty where it is not. */
export function textFills(input: BackgroundInput): Fill[] {
  const { style } = input;
  if (!splitTopLevel(style.text('background-clip')).includes('text')) return [];
  const colour = style.colour('background-color');
  const fills: Fill[] = colour.alpha > 0 ? [{ kind: 'solid', colour, box: undefined }] : [];
  for (const layer of layersOf(style).reverse()) {
    const fill = layerFill({ ...layer, clip: layer.clip === 'text' ? 'border-box' : layer.clip }, input);
    if (fill) fills.push(fill);
  }
  return fills;
}
