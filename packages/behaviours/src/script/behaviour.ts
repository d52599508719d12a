import { memoryOf, type Memory } from './kept.js';

/** What a behaviour takes from where it runs, so that a test or a preview can put another clock in its place. */
export interface Around extends Memory {
  /** Milliseconds since 1970. */
  now(): number;
  /** Calls once after some milliseconds; what is returned calls it off. */
  wait(act: () => void, millis: number): () => void;
  /** Of the page. */
  path(): string;
}

/** A behaviour at work. */
export interface Running {
  /** Takes everything back: the markup is as it was. */
  stop(): void;
  /** Reads settings and clock again. */
  refresh(): void;
}

/** Sets a behaviour going on an element. */
export type Start = (host: HTMLElement, around: Around) => Running;

export const viewOf = (element: Element) => element.ownerDocument.defaultView!;

export const around = (view: Window): Around => ({
  ...memoryOf(view),
  path: () => view.location.pathname,
  now: () => Date.now(),
  wait: (act, millis) => {
    const id = view.setTimeout(act, millis);
    return () => view.clearTimeout(id);
  },
});

/**
 * Has a behaviour run in the parent of each element with a name, from the moment that one stands on the page until it is
 * taken off. A script that is loaded twice does so once.
 *
 * @public called by the script that is put together
 */
export function define(tag: string, start: Start): void {
  if (customElements.get(tag)) return;
  customElements.define(
    tag,
    class extends HTMLElement {
      running?: Running;
      connectedCallback() {
        if (this.parentElement) this.running = start(this.parentElement, around(window));
      }
      disconnectedCallback() {
        this.running?.stop();
      }
    },
  );
}

/** What is undone when a behaviour stops. */
export function undoing() {
  const undo: (() => void)[] = [];
  return {
    add: (act: () => void) => void undo.push(act),
    /** Listens until the behaviour stops. */
    on(target: EventTarget, names: string, act: (event: Event) => void, options?: AddEventListenerOptions) {
      for (const name of names.split(' ')) {
        target.addEventListener(name, act, options);
        undo.push(() => target.removeEventListener(name, act, options));
      }
    },
    run: () =>
      undo
        .splice(0)
        .reverse()
        .forEach((act) => act()),
  };
}

/** For `pageshow`: acts when the page is gone back to and was kept as it was left, whatever happened on others since. */
export const ifKept = (act: () => void) => (event: Event) => {
  if ((event as PageTransitionEvent).persisted) act();
};

/** Sets an attribute, and puts back what it was. */
export function put(element: Element, name: string, value: string | null): () => void {
  const before = element.getAttribute(name);
  const to = (next: string | null) =>
    next === null ? element.removeAttribute(name) : element.setAttribute(name, next);
  to(value);
  return () => to(before);
}

/** Hides an element whatever the site's sheets say of it, or shows it again. */
export function show(element: HTMLElement, isShown: boolean): void {
  element.hidden = !isShown;
  if (isShown) element.style.removeProperty('display');
  else element.style.setProperty('display', 'none', 'important');
}

/** Shows an element again as it is shown now. */
export function asShown(element: HTMLElement): () => void {
  const { hidden } = element;
  return () => {
    element.hidden = hidden;
    element.style.removeProperty('display');
  };
}

/** Acts whenever an element has another size, as one that is shown at last. */
export function onResize(element: Element, act: () => void): () => void {
  const { ResizeObserver } = viewOf(element) as Window & typeof globalThis;
  if (!ResizeObserver) return () => {};
  const sizes = new ResizeObserver(act);
  sizes.observe(element);
  return () => sizes.disconnect();
}

/** Finds the controls of a behaviour: `data-do` names what a button does. */
export const buttons = (host: Element, name: string) => [...host.querySelectorAll<HTMLElement>(`[data-do~="${name}"]`)];

/** True for what is seen; of an older browser nothing is known. */
export const isSeen = (element: Element): boolean =>
  !element.checkVisibility || element.checkVisibility({ visibilityProperty: true, opacityProperty: true });

/** True for a button that is seen; what moves by itself needs one that stops it (WCAG 2.2.2). */
export function canBePressed(button: HTMLElement): boolean {
  button.hidden = false;
  return isSeen(button);
}

/** What holds the items that turn or run. */
export const listOf = (host: Element) => host.querySelector<HTMLElement>('[data-list], ul, ol');

export const isRtl = (element: Element) => viewOf(element).getComputedStyle(element).direction === 'rtl';

/** True while the pointer or the focus is on it, so that what moves waits. */
export const isAttended = (host: Element) => host.matches(':hover') || host.contains(host.ownerDocument.activeElement);

export const asksForLessMotion = (view: Window) => view.matchMedia('(prefers-reduced-motion: reduce)').matches;
