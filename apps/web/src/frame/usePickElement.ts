import { ORDER_ATTRIBUTE } from '@retoque/core';
import { useEffect, useState, type RefObject } from 'react';
import { attributeOf, closestOf, listen } from './dom';
import { visibleBox, type Box } from './geometry';

/**
 * Lets an element of a page in a frame be pointed at; a click picks it, and does nothing else on the page.
 *
 * @param loaded how often the frame was loaded; 0 before the first time
 * @param onPick told the element's order in the document
 * @returns the box of what is pointed at
 */
export function usePickElement(
  frame: RefObject<HTMLIFrameElement | null>,
  loaded: number,
  onPick: (order: number) => void,
): Box | undefined {
  const [box, setBox] = useState<Box>();
  useEffect(() => {
    const document = frame.current?.contentDocument;
    if (!loaded || !document) return;
    const elementOf = ({ target }: Event) =>
      target === null || target === document ? null : closestOf(target as Element, `[${ORDER_ATTRIBUTE}]`);
    const point = (event: Event) => {
      const element = elementOf(event);
      setBox(element ? visibleBox(element) : undefined);
    };
    const pick = (event: Event) => {
      event.preventDefault();
      event.stopPropagation();
      const element = elementOf(event);
      if (element) onPick(Number(attributeOf(element, ORDER_ATTRIBUTE)));
    };
    const stop = (event: Event) => event.preventDefault();
    const ends = [
      listen(document, 'pointerover', point),
      listen(document, 'click', pick),
      listen(document, 'submit', stop),
    ];
    return () => ends.forEach((end) => end());
  }, [frame, loaded, onPick]);
  return box;
}
