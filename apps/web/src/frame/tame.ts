import { markerOf } from '@retoque/core';

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
    if (target.closest('a[href], button[type=submit], input[type=submit], button:not([type]), area')) {
      event.preventDefault();
    }
    const control = target.closest('[aria-controls]');
    const controlled = control && document.getElementById(control.getAttribute('aria-controls') ?? '');
    if (!control || !controlled) return;
    const open = control.getAttribute('aria-expanded') === 'true';
    if (control.hasAttribute('aria-expanded')) control.setAttribute('aria-expanded', String(!open));
    controlled.toggleAttribute('hidden', open);
  };
  const stop = (event: Event) => event.preventDefault();
  document.addEventListener('click', click, true);
  document.addEventListener('submit', stop, true);
  document.addEventListener('dragstart', stop, true);
  return () => {
    document.removeEventListener('click', click, true);
    document.removeEventListener('submit', stop, true);
    document.removeEventListener('dragstart', stop, true);
  };
}

/** Plays every change in a page at a share of its speed, those to come included. */
export function slowDown(document: Document, speed: number): () => void {
  const apply = () => {
    for (const animation of document.getAnimations()) animation.playbackRate = speed;
  };
  apply();
  document.addEventListener('transitionrun', apply, true);
  document.addEventListener('animationstart', apply, true);
  return () => {
    document.removeEventListener('transitionrun', apply, true);
    document.removeEventListener('animationstart', apply, true);
  };
}

/** Marks what was touched last, and all around it, as hovered: so phones do, until something else is touched. */
export function hoverByTouch(document: Document): () => void {
  const marker = markerOf('hover');
  const clear = () => {
    for (const node of document.querySelectorAll(`[${marker}]`)) node.removeAttribute(marker);
  };
  const touch = (event: Event) => {
    clear();
    for (let node = event.target as Element | null; node; node = node.parentElement) node.setAttribute(marker, '');
  };
  document.addEventListener('click', touch, true);
  return () => {
    document.removeEventListener('click', touch, true);
    clear();
  };
}
