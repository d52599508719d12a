import { ORDER_ATTRIBUTE, REST } from '@retoque/core';
import { useCallback, useEffect, useState, type RefObject } from 'react';
import type { FoundWithChecks } from '../engine/protocol';
import { allIn, attributeOf, bodyOf, boxOf, closestOf, fontsOf, listen, parentOf, rootOf } from '../frame/dom';
import { elementIn, visibleBox, type Box } from '../frame/geometry';
import type { PointedAt } from './TakeMenu';

export interface Outline {
  readonly component: FoundWithChecks;
  readonly boxes: readonly Box[];
}

/** Elements of components beyond which only those on screen are outlined. */
const MANY = 1500;

function isOnScreen(element: Element, { innerHeight }: Window): boolean {
  const { top, bottom } = boxOf(element);
  return bottom > 0 && top < innerHeight;
}

/**
 * Follows where the found components are in a frame as it scrolls and settles, and what the pointer is on.
 *
 * @param loaded changes each time the frame has loaded
 */
export function useOutlines(
  frame: RefObject<HTMLIFrameElement | null>,
  loaded: number,
  components: readonly FoundWithChecks[],
  /** An element that is pointed at outside of the frame. */
  aimed: number | undefined,
  onPick: (component: FoundWithChecks | undefined, at: PointedAt) => void,
  onPoint: (component: FoundWithChecks | undefined) => void,
): {
  readonly outlines: readonly Outline[];
  readonly aim: Box | undefined;
  readonly reveal: (elements: readonly number[]) => void;
} {
  const [outlines, setOutlines] = useState<readonly Outline[]>([]);
  const [aim, setAim] = useState<Box>();

  useEffect(() => {
    const view = frame.current?.contentWindow;
    const document = frame.current?.contentDocument;
    if (!loaded || !view || !document || !bodyOf(document)) return;
    // What is the whole page, such as its scrollbar, is picked in the list alone.
    const placed = components.filter((item) => !item.elements.includes(0) && item.region !== REST);
    const owners = new Map(placed.flatMap((item) => item.elements.map((order) => [String(order), item] as const)));
    // What stands in a component and is none of it.
    const strangers = new Map<string, FoundWithChecks[]>();
    for (const item of placed)
      for (const order of item.outside ?? [])
        strangers.set(String(order), [...(strangers.get(String(order)) ?? []), item]);
    let pending = 0;
    const byOrder = new Map(
      [...allIn(document, `[${ORDER_ATTRIBUTE}]`)].map((element) => [attributeOf(element, ORDER_ATTRIBUTE), element]),
    );
    const isMany = owners.size > MANY;
    const measure = () => {
      pending = 0;
      setOutlines(
        placed.map((component) => ({
          component,
          boxes: component.elements.flatMap((order) => {
            const element = byOrder.get(String(order));
            // Of very many only those that are seen are drawn.
            if (!element || (isMany && !isOnScreen(element, view))) return [];
            return visibleBox(element) ?? [];
          }),
        })),
      );
    };
    const soon = () => {
      pending ||= requestAnimationFrame(measure);
    };
    const ownerOf = (target: EventTarget | null): FoundWithChecks | undefined => {
      let node = target as Element | null;
      const passed = new Set<FoundWithChecks>();
      for (; node; node = parentOf(node)) {
        const order = attributeOf(node, ORDER_ATTRIBUTE) ?? '';
        for (const component of strangers.get(order) ?? []) passed.add(component);
        const owner = owners.get(order);
        if (owner && !passed.has(owner)) return owner;
      }
      return undefined;
    };
    const click = (event: Event) => {
      // Nothing in the page may act: a click only ever picks.
      event.preventDefault();
      event.stopPropagation();
      if (event.type !== 'click' || !frame.current) return;
      const element = closestOf(event.target as Element, `[${ORDER_ATTRIBUTE}]`);
      if (!element) return;
      const room = frame.current.getBoundingClientRect();
      const scale = room.width / Math.max(1, frame.current.clientWidth);
      const { clientX, clientY } = event as MouseEvent;
      onPick(ownerOf(event.target), {
        order: Number(attributeOf(element, ORDER_ATTRIBUTE)),
        x: room.left + clientX * scale,
        y: room.top + clientY * scale,
      });
    };
    const point = (event: Event) => onPoint(ownerOf(event.target));
    const leave = () => onPoint(undefined);
    const stop = (event: Event) => event.preventDefault();

    measure();
    const observer = new ResizeObserver(soon);
    observer.observe(rootOf(document));
    observer.observe(bodyOf(document));
    const ends = [
      listen(document, 'click', click),
      listen(document, 'auxclick', click),
      listen(document, 'submit', stop),
      listen(document, 'pointerover', point),
      listen(rootOf(document), 'pointerleave', leave, false),
      listen(document, 'transitionend', soon),
    ];
    view.addEventListener('scroll', soon, { passive: true, capture: true });
    // What is fixed to the window moves with its edge, though the page stays as it is.
    view.addEventListener('resize', soon);
    void fontsOf(document).ready.then(soon);
    return () => {
      cancelAnimationFrame(pending);
      observer.disconnect();
      ends.forEach((end) => end());
      view.removeEventListener('scroll', soon, { capture: true });
      view.removeEventListener('resize', soon);
    };
  }, [frame, loaded, components, onPick, onPoint]);

  useEffect(() => {
    const document = frame.current?.contentDocument;
    const element = aimed === undefined || !document ? null : elementIn(document, aimed);
    setAim(element ? visibleBox(element) : undefined);
  }, [frame, aimed]);

  const reveal = useCallback(
    (elements: readonly number[]) => {
      const document = frame.current?.contentDocument;
      const view = frame.current?.contentWindow;
      if (!document || !view) return;
      for (const order of elements) {
        const element = elementIn(document, order);
        const box = element && visibleBox(element);
        if (!box) continue;
        const outside = box.top < 40 || box.top + box.height > view.innerHeight - 40;
        if (outside) view.scrollTo({ top: view.scrollY + box.top - view.innerHeight / 2, behavior: 'instant' });
        return;
      }
    },
    [frame],
  );

  return { outlines, aim, reveal };
}
