import { markerOf } from '@retoque/core';
import { allIn, attributeOf, closestOf, hasAttribute, listen, parentOf, removeAttribute, setAttribute } from './dom';

/**
 * Lets a live page be pointed at, focused, pressed and typed into, and keeps it from going anywhere. What a page's own
 * scripts would do on a click, which never run here, is done where its markup says it: a control with `aria-controls`
 * opens and closes what it controls.
 *
 * @returns what ends it
 */
export function tame(document: Document): () => void {
  const click = (event: Event) => {
    const target = event.target as Element;
    if (closestOf(target, 'a[href], button[type=submit], input[type=submit], button:not([type]), area')) {
      event.preventDefault();
    }
    const control = closestOf(target, '[aria-controls]');
    const controlled =
      control && Document.prototype.getElementById.call(document, attributeOf(control, 'aria-controls') ?? '');
    if (!control || !controlled) return;
    const open = attributeOf(control, 'aria-expanded') === 'true';
    if (hasAttribute(control, 'aria-expanded')) setAttribute(control, 'aria-expanded', String(!open));
    Element.prototype.toggleAttribute.call(controlled, 'hidden', open);
  };
  const stop = (event: Event) => event.preventDefault();
  const ends = [
    listen(document, 'click', click),
    listen(document, 'submit', stop),
    listen(document, 'dragstart', stop),
  ];
  return () => ends.forEach((end) => end());
}

/** Plays every change in a page at a share of its speed, those to come included. */
export function slowDown(document: Document, speed: number): () => void {
  const apply = () => {
    for (const animation of Document.prototype.getAnimations.call(document)) animation.playbackRate = speed;
  };
  apply();
  const ends = [listen(document, 'transitionrun', apply), listen(document, 'animationstart', apply)];
  return () => ends.forEach((end) => end());
}

/** Marks what was touched last, and all around it, as hovered: so phones do, until something else is touched. */
export function hoverByTouch(document: Document): () => void {
  const marker = markerOf('hover');
  const clear = () => {
    for (const node of allIn(document, `[${marker}]`)) removeAttribute(node, marker);
  };
  const touch = (event: Event) => {
    clear();
    for (let node = event.target as Element | null; node; node = parentOf(node)) setAttribute(node, marker, '');
  };
  const end = listen(document, 'click', touch);
  return () => {
    end();
    clear();
  };
}
