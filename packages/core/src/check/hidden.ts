import type { ElementStyle } from '../css/cascade/element-style.js';
import type { StyledPage } from '../css/cascade/page-styles.js';
import type { Geometry } from '../page/geometry.js';
import { oncePerShape } from '../css/cascade/once-per-shape.js';
import type { ElementNode } from '../tree/tree.js';

/** The common ways of keeping text for screen readers alone: a box of a pixel that is cut, or cut to nothing. */
function isForReadersOnly(style: ElementStyle): boolean {
  const position = style.text('position');
  if (position !== 'absolute' && position !== 'fixed') return false;
  if (/^rect\((0(px)?,? ?|1px,? ?){4}\)$/.test(style.text('clip'))) return true;
  if (/^inset\((50|100)%\)$/.test(style.text('clip-path'))) return true;
  // A share of what holds it may be any size.
  const tiny = (property: string) =>
    style.text(property).endsWith('px') && Number.parseFloat(style.text(property)) <= 1;
  return style.text('overflow-x') !== 'visible' && tiny('width') && tiny('height');
}

/** Why nothing of an element and of what it holds is shown, for itself or for what holds it. */
const goneBy = oncePerShape((style: ElementStyle): string | undefined => {
  if (style.text('display') === 'none') return 'It is not shown in this state.';
  if (Number.parseFloat(style.text('opacity')) === 0) return 'It is fully transparent in this state.';
  if (isForReadersOnly(style)) return 'It is there for screen readers only.';
  return style.parent && goneBy(style.parent);
});

/** Why an element's text is not shown; undefined when it is. */
export function hiddenBy(page: StyledPage, element: ElementNode): string | undefined {
  const style = page.of(element);
  return style.text('visibility') === 'visible' ? goneBy(style) : 'It is hidden in this state.';
}

/** True for what was laid out where no scrolling gets: above or left of the page. */
export const isOutOfReach = (geometry: Geometry | undefined, element: ElementNode): boolean => {
  const box = geometry?.elements.get(element.order)?.box;
  return box !== undefined && (box.x + box.width <= 0 || box.y + box.height <= 0);
};
