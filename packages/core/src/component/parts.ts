import { CARRIED_ATOMS, type CarriedAtom } from '../css/selector/states.js';
import type { Subject } from './subject.js';
import { reachedBy } from '../css/selector/locator.js';
import type { StyledPage } from '../css/cascade/page-styles.js';
import { descendants, hasOwnText, selfAndAncestors, type ElementNode, type PageTree } from '../tree/tree.js';
import { CarriedStates } from './carriers.js';
import { selectorWithin } from './fitting.js';
import { heldBy } from './held.js';
import { furtherElements, isFurther } from './further.js';
import { fromRoot } from './parts-of-root.js';
import type { Kind, Part } from './kind.js';

/** How the element that carries a part's state stands to the part's own. */
export type CarrierRelation = 'self' | 'ancestor' | 'sibling';

/** A part of a component as found on a page. */
export interface FoundPart {
  readonly part: Part;
  /** A selector that reaches the part's elements, its pseudo-element left out. */
  readonly selector: string;
  readonly elements: readonly ElementNode[];
  /** The part whose state it follows, where that is another. */
  readonly carrier: FoundPart | undefined;
  readonly relation: CarrierRelation;
  readonly subjects: readonly Subject[];
  /** True when the owner gave the selector instead of the kind. */
  readonly corrected: boolean;
}

/** More elements than this are not looked at one by one. */
export const MAX_PART_ELEMENTS = 200;

/** How parts are found where more is known than the page's markup. */
export interface PartsAsked {
  /** Selectors that the owner gave for parts, by their names. */
  readonly corrected?: Readonly<Record<string, string>> | undefined;
  /** The site's own selectors for an element, which are taken where they say the same. */
  readonly siteSelectorsOf?: (element: ElementNode) => readonly string[];
  /** The page at rest, by which the parts are found that every kind has; without it they are not looked for. */
  readonly page?: StyledPage;
  /** True for what belongs to another component inside of this one. */
  readonly isApart?: (element: ElementNode) => boolean;
}

/**
 * Finds the parts of a component.
 *
 * @param root the component's own selector
 */
export function findParts(tree: PageTree, kind: Kind, root: string, asked: PartsAsked = {}): FoundPart[] {
  const { corrected = {}, siteSelectorsOf = () => [] } = asked;
  const found: FoundPart[] = [];
  const selectors = new Map<string, { selector: string; elements: ElementNode[]; corrected: boolean }>();
  // What an owner has pointed at is that part, whatever the kind would make of it.
  const isGiven = (part: Part) => Object.hasOwn(corrected, part.name);
  for (const part of [...kind.parts.filter(isGiven), ...kind.parts.filter((own) => !isGiven(own))]) {
    const given = isGiven(part) ? corrected[part.name] : undefined;
    const candidates = given === undefined ? part.find.map((text) => fromRoot(text, root)) : [given];
    for (const candidate of candidates) {
      const elements = reachedBy(tree, candidate);
      if (!elements.length) continue;
      const apart = given === undefined ? withoutOthers(tree, candidate, elements, part, kind, selectors) : undefined;
      const kept = apart ?? { selector: candidate, elements };
      if (!kept.elements.length) continue;
      const selector = given ?? plainest(tree, kept, root, siteSelectorsOf);
      selectors.set(part.name, { selector, elements: kept.elements, corrected: given !== undefined });
      break;
    }
  }
  for (const [name, elements] of furtherOf(tree, kind, root, selectors, asked)) {
    if (selectors.has(name)) continue;
    const own = { selector: selectorWithin(tree, root, elements), elements: [...elements] };
    selectors.set(name, { ...own, selector: plainest(tree, own, root, siteSelectorsOf), corrected: false });
  }
  // Carriers first, so that parts can refer to them.
  const make = (part: Part): FoundPart | undefined => {
    const known = found.find((item) => item.part === part);
    if (known) return known;
    const own = selectors.get(part.name);
    if (!own) return undefined;
    const carrierPart = part.carrier === undefined ? undefined : kind.parts.find((item) => item.name === part.carrier);
    const carrier = carrierPart && carrierPart !== part ? make(carrierPart) : undefined;
    const elements = own.elements.slice(0, MAX_PART_ELEMENTS);
    const carried = elements.map((element) => carrierOf(element, carrier));
    const relation = carried.find(({ relation: how }) => how !== 'self')?.relation ?? 'self';
    const result: FoundPart = {
      part,
      selector: own.selector,
      elements,
      carrier: relation === 'self' ? undefined : carrier,
      relation,
      corrected: own.corrected,
      subjects: elements.flatMap((element, i): Subject[] => {
        const { element: carrierElement, relation: how } = carried[i]!;
        if (how !== relation) return [];
        const like = carrier && relation !== 'self' ? carrier.elements : elements;
        return [
          {
            element,
            pseudo: part.pseudo,
            carrier: carrierElement,
            states: new CarriedStates(carrierElement, like, part.ownPseudoStates ? [] : atomsFor(own.selector)),
            ownPseudoStates: part.ownPseudoStates ?? false,
          },
        ];
      }),
    };
    found.push(result);
    return result;
  };
  for (const part of kind.parts) make(part);
  return kind.parts.flatMap((part) => found.filter((item) => item.part === part));
}

/** What stands in a component beside its kind's own parts. */
function furtherOf(
  tree: PageTree,
  kind: Kind,
  root: string,
  found: ReadonlyMap<string, { readonly elements: readonly ElementNode[] }>,
  { page, isApart = () => false }: PartsAsked,
): ReadonlyMap<string, readonly ElementNode[]> {
  if (!page || !kind.parts.some(isFurther)) return new Map();
  // A root with words of its own is a text of the component like any other.
  const roots = reachedBy(tree, root).filter((element) => !hasOwnText(element));
  const inside = [...heldBy(tree, kind, root)].filter((element) => !isApart(element));
  const [taken, covered] = [new Set<ElementNode>(roots), new Set<ElementNode>()];
  const marks = new Map<string, ReadonlySet<ElementNode>>();
  for (const part of kind.parts) {
    const elements = found.get(part.name)?.elements ?? [];
    if (part.pseudo !== undefined) {
      marks.set(part.pseudo, new Set([...(marks.get(part.pseudo) ?? []), ...elements]));
      continue;
    }
    for (const element of elements) taken.add(element);
    // An icon is measured with the control that it stands in.
    if (kind.demands.some((demand) => demand.part === part.name && demand.of === 'icon'))
      for (const element of elements) for (const inner of descendants(element)) taken.add(inner);
    const isMeasured = kind.demands.some((demand) => demand.part === part.name && demand.criterion === '1.4.3');
    if (!isMeasured) continue;
    for (const element of elements) {
      covered.add(element);
      for (const inner of descendants(element)) covered.add(inner);
    }
  }
  const unique = inside.sort((a, b) => a.order - b.order);
  return furtherElements(page, unique, taken, covered, marks);
}

/** The site's own selector for a part, where one within the component's reaches just the same and reads easier. */
function plainest(
  tree: PageTree,
  { selector, elements }: { selector: string; elements: readonly ElementNode[] },
  root: string,
  siteSelectorsOf: (element: ElementNode) => readonly string[],
): string {
  if (selector === root) return selector;
  for (const own of siteSelectorsOf(elements[0]!)) {
    if (!own.startsWith(root) || !/^[\s>]/.test(own.slice(root.length)) || own.length > selector.length) continue;
    const reached = reachedBy(tree, own);
    if (reached.length === elements.length && reached.every((element, i) => element === elements[i])) return own;
  }
  return selector;
}

/** A part that is found by a state is always in it, so it is never taken out of it. */
const FOUND_BY: Readonly<Partial<Record<CarriedAtom, RegExp>>> = {
  current: /\[aria-current/,
  disabled: /\[disabled|:disabled/,
  checked: /:checked|\[checked/,
  expanded: /\[open/,
  invalid: /\[aria-invalid/,
};

const atomsFor = (selector: string): CarriedAtom[] => CARRIED_ATOMS.filter((atom) => !FOUND_BY[atom]?.test(selector));

function carrierOf(
  element: ElementNode,
  carrier: FoundPart | undefined,
): { element: ElementNode; relation: CarrierRelation } {
  if (!carrier) return { element, relation: 'self' };
  for (const node of selfAndAncestors(element)) {
    if (carrier.elements.includes(node)) return { element: node, relation: node === element ? 'self' : 'ancestor' };
  }
  const before = element.parent?.children.slice(0, element.siblingIndex).reverse() ?? [];
  const sibling = before.find((node) => carrier.elements.includes(node));
  return sibling ? { element: sibling, relation: 'sibling' } : { element, relation: 'self' };
}

/** Parts reach different elements; what an earlier part has taken is left out of a later one. */
function withoutOthers(
  tree: PageTree,
  selector: string,
  elements: ElementNode[],
  part: Part,
  kind: Kind,
  taken: ReadonlyMap<string, { selector: string; elements: readonly ElementNode[] }>,
): { selector: string; elements: ElementNode[] } | undefined {
  const others: string[] = [];
  for (const [name, other] of taken) {
    const otherPart = kind.parts.find((item) => item.name === name);
    if (otherPart?.pseudo !== part.pseudo) continue;
    if (elements.some((element) => other.elements.includes(element))) others.push(other.selector);
  }
  if (!others.length) return undefined;
  const narrowed = `${selector}:not(:where(${others.join(', ')}))`;
  return { selector: narrowed, elements: reachedBy(tree, narrowed) };
}
