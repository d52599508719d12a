import { siteSelectors } from '../component/find.js';
import { ownTextDemands } from '../component/further.js';
import { kindNamed } from '../component/kinds/index.js';
import { SECTION } from '../component/kinds/section.js';
import { ownedBy } from '../component/rest.js';
import type { Kind } from '../component/kind.js';
import { withOwnParts, type OwnParts } from '../component/own-parts.js';
import { findParts, type FoundPart } from '../component/parts.js';
import { once } from '../memo/once.js';
import { locate, selectAll, type Located, type Locator } from '../css/selector/locator.js';
import { descendants, selfAndAncestors, type ElementNode } from '../tree/tree.js';
import { ComponentMissingError, UnknownKindError } from './errors.js';
import { forgetOldest } from '../memo/kept-answers.js';
import type { PageSession } from './page-session.js';

/** Which component: its kind, how it is found, and what the owner says of its parts. */
export interface ComponentPlace extends OwnParts {
  readonly kind: string;
  readonly locator: Locator;
}

const orNone = (table: Readonly<Record<string, string>> | undefined) =>
  table && Object.keys(table).length ? table : undefined;

/** A component where it stands on a page, whatever looks are worn there. */
export interface PlacedComponent {
  readonly kind: Kind;
  readonly located: Located;
  /** The first of its elements. */
  readonly element: ElementNode;
  readonly selector: string;
  /** Outermost first. */
  readonly parts: readonly FoundPart[];
}

/** Components of one page that are kept. */
const MAX_PLACED = 400;

const placedOn = once((_page: PageSession) => new Map<string, PlacedComponent>());

/** The same text for the same component. */
export const placeKey = ({ kind, locator, parts, names, splitFrom }: ComponentPlace): string =>
  JSON.stringify([kind, locator, orNone(parts), orNone(names), orNone(splitFrom)]);

/**
 * Finds a component on a page; the same object as long as the page is.
 *
 * @throws UnknownKindError for a kind that is not known
 * @throws ComponentMissingError when the locator finds nothing on the page
 */
export function placeOn(page: PageSession, place: ComponentPlace): PlacedComponent {
  const known = placedOn(page);
  const key = placeKey(place);
  let placed = known.get(key);
  if (!placed) {
    known.set(key, (placed = placeAfresh(page, place)));
    forgetOldest(known, MAX_PLACED);
  }
  return placed;
}

function placeAfresh(page: PageSession, { kind: kindName, locator, ...own }: ComponentPlace): PlacedComponent {
  const known = kindNamed(kindName);
  if (!known) throw new UnknownKindError(`No kind is called "${kindName}".`);
  const kind = withOwnParts(known, own);
  const located = locate(page.tree, locator);
  if (!located.element) {
    throw new ComponentMissingError(
      located.outcome === 'gone'
        ? `Nothing on this page matches "${locator.selector}" any more.`
        : `Several elements on this page could be "${locator.selector}", and none is clearly the one.`,
    );
  }
  const { element } = located;
  const selector = located.outcome === 'matched' ? locator.selector : freshSelector(page, element, locator.selector);
  const styles = page.stylesFor();
  const found = findParts(page.tree, kind, selector, {
    corrected: own.parts,
    siteSelectorsOf: (own) => siteSelectors(own, styles),
    page: styles.at(),
    isApart: belongsToOthers(page, kind, selector),
  });
  const more = ownTextDemands(kind, found);
  return {
    kind: more.length ? { ...kind, demands: [...kind.demands, ...more] } : kind,
    located,
    element,
    selector,
    parts: found,
  };
}

/**
 * Which elements belong to a component that stands inside of one. Buttons, links and lines are its own as well; what is
 * left for a section is what no other component has.
 */
function belongsToOthers(page: PageSession, kind: Kind, selector: string): (element: ElementNode) => boolean {
  const roots = new Set(selectAll(page.tree, selector).map(({ order }) => order));
  const isSection = kind.name === SECTION.name;
  const mine = new Set([...roots].flatMap((order) => [...descendants(page.tree.elements[order]!)]));
  const others = page
    .components()
    .filter(({ elements }) => elements.some((order) => mine.has(page.tree.elements[order]!)))
    .filter(
      (other) => (isSection || !kindNamed(other.kind)?.single) && !other.elements.some((order) => roots.has(order)),
    );
  if (!isSection) {
    // What holds this one is around it, and not apart from it.
    const around = new Set([...roots].flatMap((order) => [...selfAndAncestors(page.tree.elements[order]!)]));
    const inner = others.filter(({ elements }) => !elements.some((order) => around.has(page.tree.elements[order]!)));
    const owned = ownedBy(page.tree, inner);
    return (element) => owned.has(element);
  }
  const sections = new Set(page.rest().flatMap(({ elements }) => elements.filter((order) => !roots.has(order))));
  const all = ownedBy(page.tree, others);
  const isApart = once((element: ElementNode): boolean => {
    if (roots.has(element.order)) return false;
    return all.has(element) || sections.has(element.order) || (element.parent !== undefined && isApart(element.parent));
  });
  return isApart;
}

/** After a move the old selector may reach nothing, so the found component's own is taken. */
const freshSelector = (page: PageSession, element: ElementNode, old: string): string =>
  page.components().find((item) => item.elements.includes(element.order))?.selector ?? old;
