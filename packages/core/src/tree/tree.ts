/** An element of a parsed page. Trees are never changed after parsing, so anything derived may be cached by node. */
export interface ElementNode {
  /** Position in document order, 0 for the root element; valid within one parse only, never stored. */
  readonly order: number;
  readonly name: string;
  readonly namespace: 'html' | 'svg' | 'math' | 'other';
  readonly attributes: ReadonlyMap<string, string>;
  readonly id: string | undefined;
  readonly classes: readonly string[];
  readonly parent: ElementNode | undefined;
  readonly children: readonly ElementNode[];
  /** Children and text in order. */
  readonly content: readonly (ElementNode | string)[];
  /** Position among element siblings, from 0. */
  readonly siblingIndex: number;
  /** The element of the page as parsed that this one is a copy of; undefined in the page itself. */
  readonly stagedFrom?: ElementNode | undefined;
}

export interface PageTree {
  readonly root: ElementNode;
  /** All elements in document order. */
  readonly elements: readonly ElementNode[];
  readonly quirks: boolean;
}

export function* ancestors(element: ElementNode): Generator<ElementNode> {
  for (let node = element.parent; node; node = node.parent) yield node;
}

export function* selfAndAncestors(element: ElementNode): Generator<ElementNode> {
  yield element;
  yield* ancestors(element);
}

export function* descendants(element: ElementNode): Generator<ElementNode> {
  // By hand: a generator within a generator hands each element through all levels above it.
  const left = [...element.children].reverse();
  for (let node = left.pop(); node; node = left.pop()) {
    yield node;
    for (let i = node.children.length - 1; i >= 0; i--) left.push(node.children[i]!);
  }
}

/** Text as a reader meets it: white space collapsed, descendants included. */
export const textOf = (element: ElementNode): string => textWithout(element);

function textWithout(element: ElementNode, left?: ReadonlySet<string>): string {
  const gather = (node: ElementNode): string =>
    node.content.map((item) => (typeof item === 'string' ? item : left?.has(item.name) ? '' : gather(item))).join('');
  return gather(element).replace(/\s+/g, ' ').trim();
}

/** What holds text that no reader meets: it is read by the browser, or by nobody. */
const UNREAD = new Set(['head', 'script', 'style', 'template', 'noscript', 'title']);

/** Text as a reader meets it, without that of sheets and scripts in it; the whole page has none of its own. */
export const readableText = (element: ElementNode): string =>
  element.name === 'html' ? '' : textWithout(element, UNREAD);

/** Of one piece of text so much is looked at for its start; what begins later than this is not at the start. */
const LONGEST_START = 10_000;

/** The first characters of that text; no more of the element is read than they take. */
export function textStart(element: ElementNode, length: number): string {
  let text = '';
  const gather = (node: ElementNode): boolean =>
    node.content.every((item) => {
      if (typeof item !== 'string') return gather(item);
      // White space at the seam of two pieces collapses too.
      text = (text + item.slice(0, LONGEST_START)).replace(/\s+/g, ' ').trimStart();
      return text.length < length + 1;
    });
  gather(element);
  return text
    .slice(0, length + 1)
    .trimEnd()
    .slice(0, length);
}

/** True when the element itself, not a descendant, holds text. */
export const hasOwnText = (element: ElementNode): boolean =>
  element.content.some((item) => typeof item === 'string' && item.trim() !== '');
