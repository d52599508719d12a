import { ORDER_ATTRIBUTE } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { useEffect, type PointerEvent, type MouseEvent, type RefObject } from 'react';
import { engine } from '../../engine/engine';
import type { ComponentRef } from '../../engine/protocol';
import { refKey } from '../../engine/ref-key';
import { attributeOf, boxOf, elementAt, firstIn, parentOf, rectsOf } from '../../frame/dom';
import { onPointed, pointAt, type Pointed } from './pointed';

interface At {
  readonly clientX: number;
  readonly clientY: number;
}

/** The element of a scaled frame under a point of the window. */
function elementUnder(frame: HTMLIFrameElement, { clientX, clientY }: At): Element | null {
  const box = frame.getBoundingClientRect();
  const scale = box.width / Math.max(1, frame.clientWidth);
  const { contentDocument } = frame;
  return contentDocument ? elementAt(contentDocument, (clientX - box.left) / scale, (clientY - box.top) / scale) : null;
}

/** Draws a box over the picture where the part stands in it, and marks the frame of the column that is pointed at. */
function show(
  button: HTMLElement,
  frame: HTMLIFrameElement | null,
  column: string,
  orders: readonly number[],
  pointed?: Pointed,
) {
  button.toggleAttribute('data-pointed', pointed?.column === column);
  const outline = button.querySelector<HTMLElement>('.outline');
  if (!outline) return;
  const element = orders.flatMap((order) => {
    const found = frame?.contentDocument ? firstIn(frame.contentDocument, `[${ORDER_ATTRIBUTE}="${order}"]`) : null;
    return found && rectsOf(found).length ? [found] : [];
  })[0];
  outline.hidden = !pointed || !element;
  if (!pointed || !element || !frame?.parentElement) return;
  const room = frame.parentElement.getBoundingClientRect();
  const box = frame.getBoundingClientRect();
  const scale = box.width / Math.max(1, frame.clientWidth);
  const inner = boxOf(element);
  outline.style.left = `${box.left - room.left + inner.left * scale}px`;
  outline.style.top = `${box.top - room.top + inner.top * scale}px`;
  outline.style.width = `${inner.width * scale}px`;
  outline.style.height = `${inner.height * scale}px`;
}

/**
 * Lets a frame and the sheet point at each other: what is under the pointer in the frame is named in the sheet, and the
 * part of a row under the pointer is outlined in the frame.
 */
export function useFramePointing(
  button: RefObject<HTMLElement | null>,
  frame: RefObject<HTMLIFrameElement | null>,
  component: ComponentRef,
  part: string,
  column: string,
  ready: boolean,
) {
  const { data: parts } = useQuery({
    queryKey: ['engine', 'parts-by-order', refKey(component)],
    staleTime: Infinity,
    queryFn: () => engine().partsByOrder(component),
  });
  useEffect(() => {
    if (!ready) return;
    return onPointed((pointed) => {
      if (!button.current) return;
      const orders = pointed
        ? [...(parts ?? [])].flatMap(([order, name]) => (name === pointed.part ? [order] : []))
        : [];
      show(button.current, frame.current, column, orders, pointed);
    });
  }, [button, frame, column, parts, ready]);

  /** The part under a point, the innermost; undefined where there is none. */
  const at = (point: At): string | undefined => {
    if (!frame.current || !parts) return undefined;
    for (let node = elementUnder(frame.current, point); node; node = parentOf(node)) {
      const name = parts.get(Number(attributeOf(node, ORDER_ATTRIBUTE)));
      if (name !== undefined) return name;
    }
    return undefined;
  };
  return {
    /** Of a click; by keyboard there is no point, and the part in hand stays. */
    at: (event: MouseEvent) => (event.detail === 0 ? undefined : at(event)),
    move: (event: PointerEvent) => pointAt({ part: at(event) ?? part, column }),
    leave: () => pointAt(undefined),
  };
}
