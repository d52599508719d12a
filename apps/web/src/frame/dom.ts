/**
 * Reading a document of others. A form answers to the names of its controls before its own properties, and a document to
 * the names of its forms and pictures (HTML, "named access"), so `form.children` may be an input that is called so. What
 * is asked here is therefore asked by the prototypes' own accessors, which names have no say in; they take nodes of other
 * documents too.
 */

type Accessor<N, T> = (node: N) => T;

function accessor<N extends object, K extends keyof N>(prototype: N, name: K): Accessor<N, N[K]> {
  for (let at: object | null = prototype; at; at = Object.getPrototypeOf(at) as object | null) {
    const get = Object.getOwnPropertyDescriptor(at, name)?.get;
    if (get) return (node) => get.call(node) as N[K];
  }
  throw new Error(`There is no accessor called ${String(name)}.`);
}

export const parentOf = accessor(Node.prototype, 'parentElement');
export const childrenOf = accessor(Element.prototype, 'children');
export const firstChildOf = accessor(Element.prototype, 'firstElementChild');
export const nextOf = accessor(Element.prototype, 'nextElementSibling');
export const previousOf = accessor(Element.prototype, 'previousElementSibling');
export const bodyOf = accessor(Document.prototype, 'body');
export const rootOf = accessor(Document.prototype, 'documentElement');
export const viewOf = accessor(Document.prototype, 'defaultView') as (
  document: Document,
) => (Window & typeof globalThis) | null;
export const fontsOf = accessor(Document.prototype, 'fonts');

export const attributeOf = (element: Element, name: string): string | null =>
  Element.prototype.getAttribute.call(element, name);
export const hasAttribute = (element: Element, name: string): boolean =>
  Element.prototype.hasAttribute.call(element, name);
export const setAttribute = (element: Element, name: string, value: string): void =>
  Element.prototype.setAttribute.call(element, name, value);
export const removeAttribute = (element: Element, name: string): void =>
  Element.prototype.removeAttribute.call(element, name);
export const boxOf = (element: Element): DOMRect => Element.prototype.getBoundingClientRect.call(element);
export const rectsOf = (element: Element): DOMRectList => Element.prototype.getClientRects.call(element);
export const closestOf = (element: Element, selector: string): HTMLElement | null =>
  Element.prototype.closest.call(element, selector) as HTMLElement | null;

const isDocument = (node: Node): node is Document => nodeTypeOf(node) === Node.DOCUMENT_NODE;
const nodeTypeOf = accessor(Node.prototype, 'nodeType');

/** Elements below a node that a selector matches, in document order. */
export const allIn = (node: Document | Element, selector: string): NodeListOf<HTMLElement> =>
  (isDocument(node)
    ? Document.prototype.querySelectorAll.call(node, selector)
    : Element.prototype.querySelectorAll.call(node, selector)) as NodeListOf<HTMLElement>;

export const firstIn = (node: Document | Element, selector: string): HTMLElement | null =>
  (isDocument(node)
    ? Document.prototype.querySelector.call(node, selector)
    : Element.prototype.querySelector.call(node, selector)) as HTMLElement | null;

export const elementAt = (document: Document, x: number, y: number): Element | null =>
  Document.prototype.elementFromPoint.call(document, x, y);

/** Listens to a document or an element; returns what ends it. */
export function listen(
  target: EventTarget,
  type: string,
  listener: (event: Event) => void,
  options: AddEventListenerOptions | boolean = true,
): () => void {
  EventTarget.prototype.addEventListener.call(target, type, listener, options);
  return () => EventTarget.prototype.removeEventListener.call(target, type, listener, options);
}
