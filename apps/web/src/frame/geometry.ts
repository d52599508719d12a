import { ORDER_ATTRIBUTE } from '@retoque/core';
import { boxOf, firstIn, parentOf } from './dom';

/** An element of a frame by its order in the parse. */
export const elementIn = (document: Document, order: number): HTMLElement | null =>
  firstIn(document, `[${ORDER_ATTRIBUTE}="${order}"]`);

export interface Box {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/** True where something around an element is closed to nothing, and shows nothing of what it holds. */
function isCutAway(element: HTMLElement): boolean {
  for (let node = parentOf(element); node; node = parentOf(node)) {
    const { width, height } = boxOf(node);
    if (width >= 1 && height >= 1) continue;
    const style = getComputedStyle(node);
    if ((height < 1 && style.overflowY !== 'visible') || (width < 1 && style.overflowX !== 'visible')) return true;
  }
  return false;
}

/** The box of an element that is really seen; undefined when it is not rendered or fully transparent. */
export function visibleBox(element: HTMLElement): Box | undefined {
  const { left, top, width, height } = boxOf(element);
  if (width < 1 || height < 1) return undefined;
  const seen = HTMLElement.prototype.checkVisibility.call(element, { opacityProperty: true, visibilityProperty: true });
  return seen && !isCutAway(element) ? { left, top, width, height } : undefined;
}
