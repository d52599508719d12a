import { ORDER_ATTRIBUTE } from '@retoque/core';
import { useCallback, useEffect, useState, type RefObject } from 'react';
import type { FoundWithChecks } from '../engine/protocol';
import { elementIn, visibleBox, type Box } from '../frame/geometry';

export interface Outline {
  readonly component: FoundWithChecks;
  readonly boxes: readonly Box[];
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
  onPick: (component: FoundWithChecks) => void,
  onPoint: (component: FoundWithChecks | undefined) => void,
): { outlines: readonly Outline[]; reveal: (component: FoundWithChecks) => void } {
  const [outlines, setOutlines] = useState<readonly Outline[]>([]);

  useEffect(() => {
    const view = frame.current?.contentWindow;
    const document = frame.current?.contentDocument;
    if (!loaded || !view || !document?.body) return;
    // What is the whole page, such as its scrollbar, is picked in the list alone.
    const placed = components.filter((item) => !item.elements.includes(0));
    const owners = new Map(placed.flatMap((item) => item.elements.map((order) => [String(order), item] as const)));
    let pending = 0;
    const measure = () => {
      pending = 0;
      setOutlines(
        placed.map((component) => ({
          component,
          boxes: component.elements.flatMap((order) => {
            const element = elementIn(document, order);
            const box = element ? visibleBox(element) : undefined;
            return box ? [box] : [];
          }),
        })),
      );
    };
    const soon = () => {
      pending ||= requestAnimationFrame(measure);
    };
    const ownerOf = (target: EventTarget | null): FoundWithChecks | undefined => {
      let node = target as Element | null;
      for (; node; node = node.parentElement) {
        const owner = owners.get(node.getAttribute(ORDER_ATTRIBUTE) ?? '');
        if (owner) return owner;
      }
      return undefined;
    };
    const click = (event: Event) => {
      // Nothing in the page may act: a click only ever picks.
      event.preventDefault();
      event.stopPropagation();
      const owner = ownerOf(event.target);
      if (owner && event.type === 'click') onPick(owner);
    };
    const point = (event: Event) => onPoint(ownerOf(event.target));
    const leave = () => onPoint(undefined);
    const stop = (event: Event) => event.preventDefault();

    measure();
    const observer = new ResizeObserver(soon);
    observer.observe(document.documentElement);
    observer.observe(document.body);
    document.addEventListener('click', click, true);
    document.addEventListener('auxclick', click, true);
    document.addEventListener('submit', stop, true);
    document.addEventListener('pointerover', point, true);
    document.documentElement.addEventListener('pointerleave', leave);
    document.addEventListener('transitionend', soon, true);
    view.addEventListener('scroll', soon, { passive: true, capture: true });
    void document.fonts.ready.then(soon);
    return () => {
      cancelAnimationFrame(pending);
      observer.disconnect();
      document.removeEventListener('click', click, true);
      document.removeEventListener('auxclick', click, true);
      document.removeEventListener('submit', stop, true);
      document.removeEventListener('pointerover', point, true);
      document.documentElement?.removeEventListener('pointerleave', leave);
      document.removeEventListener('transitionend', soon, true);
      view.removeEventListener('scroll', soon, { capture: true });
    };
  }, [frame, loaded, components, onPick, onPoint]);

  const reveal = useCallback(
    (component: FoundWithChecks) => {
      const document = frame.current?.contentDocument;
      const view = frame.current?.contentWindow;
      if (!document || !view) return;
      for (const order of component.elements) {
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

  return { outlines, reveal };
}
