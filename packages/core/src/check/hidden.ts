import type { ElementStyle } from '../css/cascade/element-style.js';
import type { StyledPage } from '../css/cascade/page-styles.js';
import { meets, shared, type Box } from '../page/box.js';
import type { Geometry } from '../page/geometry.js';
import { oncePerShape } from '../css/cascade/once-per-shape.js';
import { ancestors, type ElementNode } from '../tree/tree.js';
import type { Blank } from './check.js';

const FOR_READERS = 'It is there for screen readers only.';
/** Why what lies under something else is not measured. */
export const COVERS = 'Something else is painted over it.';

const CUTS = new Set(['hidden', 'clip']);

const px = (text: string): number => (text.endsWith('px') ? Number.parseFloat(text) : NaN);

/** The common ways of keeping text for screen readers alone: a box of a pixel that is cut, or cut to nothing. */
function isForReadersOnly(style: ElementStyle): boolean {
  const position = style.text('position');
  if (position !== 'absolute' && position !== 'fixed') return false;
  if (/^rect\((0(px)?,? ?|1px,? ?){4}\)$/.test(style.text('clip'))) return true;
  if (/^inset\((50|100)%\)$/.test(style.text('clip-path'))) return true;
  // A share of what holds it may be any size; a box of no size at all is closed, and opens.
  const tiny = (property: string) => px(style.text(property)) <= 1 && px(style.text(property)) > 0;
  return style.text('overflow-x') !== 'visible' && tiny('width') && tiny('height');
}

const isShut = (style: ElementStyle): boolean => {
  if (/^(circle|ellipse)\(0(px|%)?[ )]/.test(style.text('clip-path')) || style.text('clip-path') === 'inset(100%)')
    return true;
  if (/^(0|0 0|0 1|1 0)( \d+)?$/.test(style.text('scale')) || /^scale[XY]?\(0[,)]/.test(style.text('transform')))
    return true;
  const is = (property: string) => px(style.text(property)) === 0;
  // Padding in shares, and room that a row gives, make a box of what has no size of its own.
  const grows = Number.parseFloat(style.text('flex-grow')) > 0;
  const none = (axis: 'x' | 'y', side: 'width' | 'height', ...padded: string[]) =>
    CUTS.has(style.text(`overflow-${axis}`)) &&
    padded.every((name) => is(`padding-${name}`)) &&
    (is(`max-${side}`) || (is(side) && !grows && !(px(style.text(`min-${side}`)) > 0)));
  return none('y', 'height', 'top', 'bottom') || none('x', 'width', 'left', 'right');
};

/** Why nothing of an element and of what it holds is shown, for itself or for what holds it. */
const goneBy = oncePerShape((style: ElementStyle): string | undefined => {
  if (style.text('display') === 'none') return 'It is not shown in this state.';
  if (Number.parseFloat(style.text('opacity')) === 0) return 'It is fully transparent in this state.';
  if (isForReadersOnly(style)) return FOR_READERS;
  if (isShut(style)) return 'It is closed in this state.';
  return style.parent && goneBy(style.parent);
});

/** Why an element's text is not shown; undefined when it is. */
export function hiddenBy(page: StyledPage, element: ElementNode): string | undefined {
  const style = page.of(element);
  return style.text('visibility') === 'visible' ? goneBy(style) : 'It is hidden in this state.';
}

/** Farther than any text is indented that is to be read; in CSS pixels. */
const PUSHED_OFF = -500;

/** Why a text alone is not shown: its element is. */
export function textHiddenBy(style: ElementStyle, pseudo: string | undefined): string | undefined {
  if (px(style.text('text-indent')) <= PUSHED_OFF) return 'Its text is pushed out of sight.';
  if (style.fontSize === 0) return 'Its text has no size.';
  // Labels that float stand where the placeholder would, which is made transparent for them.
  const isClear = pseudo === 'placeholder' && style.colour('-webkit-text-fill-color').alpha === 0;
  return isClear ? 'The placeholder is transparent, so that it is not seen.' : undefined;
}

/** What is said of something hidden: text for screen readers is exempt (WCAG 2.2, 1.4.3); of the rest nobody knows. */
export const hiddenVerdict = (reason: string): Blank => (reason === FOR_READERS ? 'exempt' : 'unseen');

/** Properties by which a state brings something to another place than it was measured at. */
const PLACING = [
  'position',
  'top',
  'left',
  'right',
  'bottom',
  'transform',
  'translate',
  'clip',
  'clip-path',
  'width',
  'height',
];

/** True where the state that a view shows puts an element, or what holds it, elsewhere than at rest. */
export function isMovedByState(view: StyledPage, element: ElementNode): boolean {
  const rest = view.styles.at();
  return [element, ...ancestors(element)].some((node) => {
    const [now, before] = [view.of(node), rest.of(node)];
    return now !== before && PLACING.some((name) => now.text(name) !== before.text(name));
  });
}

/**
 * True for what was laid out where no scrolling gets: left of the page or above it, beside it where nothing scrolls, or
 * where what holds it cuts it off.
 */
export function isOutOfReach(geometry: Geometry | undefined, view: StyledPage, element: ElementNode): boolean {
  const box = geometry?.elements.get(element.order)?.box;
  if (!box || !geometry) return false;
  if (box.x + box.width <= 0 || box.y + box.height <= 0) return true;
  const isBeside = box.x >= geometry.width;
  let position = view.of(element).text('position');
  let room: Box | undefined;
  for (const node of ancestors(element)) {
    if (position === 'fixed') return isBeside;
    const style = view.of(node);
    if (node.name === 'body' || node.name === 'html') {
      if (isBeside && CUTS.has(style.text('overflow-x'))) return true;
      continue;
    }
    if (position === 'absolute' && style.text('position') === 'static') continue;
    position = style.text('position');
    const [x, y] = [CUTS.has(style.text('overflow-x')), CUTS.has(style.text('overflow-y'))];
    const own = geometry.elements.get(node.order)?.box;
    // What scrolls may bring it back.
    if (!x || !y || !own) continue;
    room = room ? shared(room, own) : own;
    if (!room || room.width <= 0 || room.height <= 0 || !meets(box, room)) return true;
  }
  return false;
}
