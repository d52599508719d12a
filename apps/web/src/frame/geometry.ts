import { ORDER_ATTRIBUTE } from '@retoque/core';

/** An element of a frame by its order in the parse. */
export const elementIn = (document: Document, order: number): HTMLElement | null =>
  document.querySelector<HTMLElement>(`[${ORDER_ATTRIBUTE}="${order}"]`);

export interface Box {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/** The box of an element that is really seen; undefined when it is not rendered or fully transparent. */
export function visibleBox(element: HTMLElement): Box | undefined {
  const { left, top, width, height } = element.getBoundingClientRect();
  if (width < 1 || height < 1) return undefined;
  const seen = element.checkVisibility({ opacityProperty: true, visibilityProperty: true });
  return seen ? { left, top, width, height } : undefined;
}
