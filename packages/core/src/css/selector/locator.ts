import { compileText, InvalidSelectorError, matches } from './match.js';
import type { CompiledSelector, MatchContext } from './types.js';
import { mayMatch } from './element-index.js';
import { ancestors, textStart, type ElementNode, type PageTree } from '../../tree/tree.js';

/** How an element is found again in a newer version of its page; never by index. */
export interface Locator {
  readonly selector: string;
  readonly tag: string;
  readonly classes: readonly string[];
  /** Attributes that tell an element from its like: id, name, type, role, href, aria-label. */
  readonly attributes: Readonly<Record<string, string>>;
  /** The first characters of its text. */
  readonly text: string;
  /** Ancestors from the parent outwards, as tag, id and classes. */
  readonly ancestry: readonly string[];
}

export type Located =
  | { readonly outcome: 'matched' | 'moved'; readonly element: ElementNode; readonly elements: readonly ElementNode[] }
  | { readonly outcome: 'ambiguous' | 'gone'; readonly element?: undefined; readonly elements: readonly ElementNode[] };

const TELLING = ['id', 'name', 'type', 'role', 'href', 'aria-label', 'value'];
const MAX_TEXT = 80;
const MAX_ANCESTRY = 12;

const describe = (element: ElementNode): string =>
  element.name + (element.id ? `#${element.id}` : '') + element.classes.map((name) => `.${name}`).join('');

export function locatorFor(element: ElementNode, selector: string): Locator {
  const attributes: Record<string, string> = {};
  for (const name of TELLING) {
    const value = element.attributes.get(name);
    if (value !== undefined) attributes[name] = value.slice(0, 300);
  }
  return {
    selector,
    tag: element.name,
    classes: element.classes,
    attributes,
    text: textStart(element, MAX_TEXT),
    ancestry: [...ancestors(element)].slice(0, MAX_ANCESTRY).map(describe),
  };
}

const AT_REST: MatchContext = { stateOf: () => 0, quirks: false };

/** Elements that a selector matches at rest, in document order. */
export function selectAll(tree: PageTree, selector: string | readonly CompiledSelector[]): ElementNode[] {
  const list = typeof selector === 'string' ? compileText(selector) : selector;
  const context = { ...AT_REST, quirks: tree.quirks };
  const own = list.filter((item) => !item.pseudoElement);
  const isReached = (element: ElementNode) => own.some((item) => matches(item, element, context));
  // Of one selector alone its last compound says which elements are worth a look.
  return (own.length === 1 ? mayMatch(tree, own[0]!.compounds.at(-1)!) : tree.elements).filter(isReached);
}

/** The same, and nothing where the text is no selector. */
export function reachedBy(tree: PageTree, selector: string): ElementNode[] {
  try {
    return selectAll(tree, selector);
  } catch (error) {
    if (error instanceof InvalidSelectorError) return [];
    throw error;
  }
}

/** Whether a selector reaches an element at rest. */
export function isReached(tree: PageTree, selector: string, element: ElementNode): boolean {
  const context = { ...AT_REST, quirks: tree.quirks };
  return compileText(selector).some((item) => !item.pseudoElement && matches(item, element, context));
}

/** Share of what a locator remembers that an element still has, 0 to 1. */
function likeness(locator: Locator, element: ElementNode): number {
  let score = 0;
  let total = 0;
  const weigh = (weight: number, share: number) => {
    total += weight;
    score += weight * share;
  };
  const overlap = (a: readonly string[], b: readonly string[]) => {
    if (!a.length) return b.length ? 0 : 1;
    const others = b.length > FEW ? new Set(b) : undefined;
    return a.filter((item) => (others ? others.has(item) : b.includes(item))).length / Math.max(a.length, b.length);
  };
  weigh(2, element.name === locator.tag ? 1 : 0);
  weigh(2, overlap(locator.classes, element.classes));
  if (locator.text) weigh(3, textStart(element, MAX_TEXT) === locator.text ? 1 : 0);
  const names = Object.keys(locator.attributes);
  if (names.length) {
    const same = names.filter((name) => element.attributes.get(name) === locator.attributes[name]).length;
    weigh(2, same / names.length);
  }
  const path = [...ancestors(element)].slice(0, MAX_ANCESTRY).map(describe);
  weigh(1, overlap(locator.ancestry, path));
  return score / total;
}

/** Fewer are looked through as quickly as a set of them is made. */
const FEW = 16;
const ENOUGH = 0.6;
const CLEAR_LEAD = 0.05;

/** Finds a component's element again; says whether it is where it was, moved, not to be told apart, or gone. */
export function locate(tree: PageTree, locator: Locator): Located {
  let elements: ElementNode[] = [];
  try {
    elements = selectAll(tree, locator.selector);
  } catch {
    // A selector that no longer compiles matches nothing.
  }
  const ranked = (pool: readonly ElementNode[]) =>
    pool.map((element) => ({ element, score: likeness(locator, element) })).sort((a, b) => b.score - a.score);
  const among = ranked(elements)[0];
  if (among) return { outcome: 'matched', element: among.element, elements };
  const [best, next] = ranked(tree.elements);
  if (!best || best.score < ENOUGH) return { outcome: 'gone', elements: [] };
  if (next && best.score - next.score < CLEAR_LEAD)
    return { outcome: 'ambiguous', elements: [best.element, next.element] };
  return { outcome: 'moved', element: best.element, elements: [best.element] };
}
