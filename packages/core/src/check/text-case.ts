import type { Rgba } from '../colour/rgba.js';
import { hasGround } from '../css/cascade/has-ground.js';
import { isField } from '../css/selector/form-state.js';
import { hull, inset, type Box } from '../page/box.js';
import { isPlacedPseudo } from '../page/geometry.js';
import { contentBox } from '../paint/boxes.js';
import { opacityOf } from '../paint/opacity.js';
import type { Halo } from '../paint/measure.js';
import { sceneFor, type Looking, type Scene } from '../paint/scene.js';
import { once } from '../memo/once.js';
import { descendants, hasOwnText, type ElementNode } from '../tree/tree.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import { share } from '../value/share.js';
import { drawnSize } from './drawn-size.js';
import { NO_COLOUR_PAINT } from './icon/svg-ink.js';
import { haloOf, outlineOf } from './halo.js';
import { isOutside, listMarkArea } from './list-mark.js';

/** WCAG 2.2, large scale: at least 18 point, or 14 point bold; one point is 4/3 px. */
export const isLarge = (fontSizePx: number, weight: number): boolean =>
  fontSizePx >= 24 || (fontSizePx >= 14 * (4 / 3) - 1e-6 && weight >= 700);

const FIELD_TEXT = new Set(['submit', 'button', 'reset']);

/** Elements within a component that paint text: itself, and descendants with text of their own. */
export function textCarriers(element: ElementNode): ElementNode[] {
  const carriers = [element, ...descendants(element)].filter(hasOwnText);
  const paintsValue =
    element.name === 'input' &&
    FIELD_TEXT.has((element.attributes.get('type') ?? '').toLowerCase()) &&
    element.attributes.get('value') !== '';
  return paintsValue ? [element] : carriers;
}

/** Elements that paint the text of a part: a field its own, which somebody types or chooses. */
export const partCarriers = (element: ElementNode): ElementNode[] =>
  isField(element) ? [element] : textCarriers(element);

/** A text ready to be measured, or tried with other colours. */
export interface TextCase {
  readonly carrier: ElementNode;
  readonly colour: Rgba;
  readonly scene: Scene;
  /** Where its letters are; empty where that was not measured. */
  readonly areas: readonly Box[];
  readonly halo: Halo | undefined;
  /** Colour of an outline around the letters. */
  readonly outline: Rgba | undefined;
  readonly large: boolean;
}

const faded = (colour: Rgba, by: number): Rgba => ({ ...colour, alpha: colour.alpha * by });

/**
 * Letters do not fill the box of their line: above capitals and below descenders it is empty, in most fonts by these
 * shares of its height.
 */
const ABOVE_LETTERS = 0.15;
const BELOW_LETTERS = 0.05;

/** Where the letters of an element's own text are. */
export function textAreas({ geometry, view }: Looking, carrier: ElementNode, pseudo?: string): Box[] {
  const measured = geometry?.elements.get(carrier.order);
  if (!measured) return [];
  if (isPlacedPseudo(pseudo)) return measured[pseudo] ? [measured[pseudo]] : [];
  const style = view.of(carrier);
  if (pseudo === 'marker') return [listMarkArea(style, view.of(carrier, pseudo), measured)];
  const lines = measured.lines.length ? measured.lines : [contentBox(style, measured.box)];
  return lines
    .map((line) => inset(line, [line.height * ABOVE_LETTERS, 0, line.height * BELOW_LETTERS, 0]))
    .filter(({ width, height }) => width > 0.5 && height > 0.5);
}

/** What was found out about the texts of a page that is looked at, by what was asked. */
const textsOf = once((_looking: Looking) => new Map<string, TextCase>());

export function unlessFound<T>(found: Map<string, T>, key: string, make: () => T): T {
  let known = found.get(key);
  if (known === undefined) found.set(key, (known = make()));
  return known;
}

/**
 * What a text is painted with and on.
 *
 * @param tried an element whose background colour is to be tried in others
 */
export const textCase = (looking: Looking, carrier: ElementNode, pseudo?: string, tried?: ElementNode): TextCase =>
  unlessFound(textsOf(looking), `${carrier.order} ${pseudo ?? ''} ${tried?.order ?? ''}`, () =>
    textAfresh(looking, carrier, pseudo, tried),
  );

/** Text in a drawing is painted as its shapes are (SVG 2, section 13.2). */
const drawnInk = (style: ElementStyle): Rgba => faded(style.colour('fill'), share(style.text('fill-opacity')));

/** Why it is not known what a text is painted with or on; undefined where it is. */
function doubtAbout({ view }: Looking, carrier: ElementNode, pseudo: string | undefined, isMeasured: boolean) {
  if (carrier.namespace === 'svg' && /^url\(/.test(view.of(carrier, pseudo).text('fill'))) return NO_COLOUR_PAINT;
  if (pseudo !== 'marker' || isMeasured) return undefined;
  const item = view.of(carrier);
  return isOutside(item) && hasGround(item)
    ? 'Whether its mark stands on the ground of the item or beside it, only geometry tells.'
    : undefined;
}

function textAfresh(
  looking: Looking,
  carrier: ElementNode,
  pseudo: string | undefined,
  tried: ElementNode | undefined,
): TextCase {
  const style = looking.view.of(carrier, pseudo);
  // Where it is set, the fill paints the text and not `color`.
  const isDrawn = carrier.namespace === 'svg';
  const ink = isDrawn ? drawnInk(style) : style.colour('-webkit-text-fill-color');
  // The opacity of a pseudo-element that is painted with its element fades its text over what that paints.
  const isPaintedAlong = pseudo !== undefined && !isPlacedPseudo(pseudo);
  const colour = isPaintedAlong ? faded(ink, opacityOf(style)) : ink;
  const areas = textAreas(looking, carrier, pseudo);
  const scene = sceneFor(looking, { element: carrier, pseudo, colour, tried }, areas.length ? hull(areas) : undefined);
  const doubt = doubtAbout(looking, carrier, pseudo, areas.length > 0);
  return {
    carrier,
    colour,
    scene: doubt ? { ...scene, doubt: scene.doubt ?? doubt } : scene,
    areas,
    halo: haloOf(style),
    outline: outlineOf(style),
    large: isLarge(drawnSize(style), style.fontWeight),
  };
}
