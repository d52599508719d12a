import { locatorFor, selectAll } from '../css/selector/locator.js';
import { isField } from '../css/selector/form-state.js';
import type { PageStyles } from '../css/cascade/page-styles.js';
import { ancestors, hasOwnText, type ElementNode, type PageTree } from '../tree/tree.js';
import { rootGroups } from './find.js';
import type { FoundComponent } from './found.js';
import { canBePart } from './further.js';
import { heldBy } from './held.js';
import { kindNamed } from './kinds/index.js';
import { SECTION } from './kinds/section.js';
import { headingText, isHtml, roleOf } from './signs.js';

const SECTIONING = ['section', 'article', 'main', 'aside', 'footer', 'header', 'nav', 'form', 'dialog', 'body'];
const LANDMARKS = new Set([
  'main',
  'banner',
  'contentinfo',
  'complementary',
  'navigation',
  'region',
  'search',
  'dialog',
]);

const isSection = (element: ElementNode): boolean => isHtml(element, ...SECTIONING) || LANDMARKS.has(roleOf(element));

/** What is listed under this is what belongs to no component. */
export const REST = 'Rest of the page';

const NAMES: readonly (readonly [tag: string, name: string])[] = [
  ['main', 'Main content'],
  ['header', 'Header'],
  ['footer', 'Footer'],
  ['nav', 'Navigation'],
  ['aside', 'Aside'],
  ['body', 'Page'],
];

const nameOf = (element: ElementNode): string =>
  element.attributes.get('aria-label') ??
  NAMES.find(([tag]) => tag === element.name)?.[1] ??
  headingText(element) ??
  'Section';

const isShown = (element: ElementNode): boolean =>
  canBePart(element) &&
  (hasOwnText(element) || isField(element) || isHtml(element, 'img', 'hr', 'video') || element.name === 'svg');

/** Elements that belong to some component. The page's scrollbar is no part of what the page shows. */
export function ownedBy(tree: PageTree, found: readonly FoundComponent[]): Set<ElementNode> {
  const owned = new Set<ElementNode>();
  for (const { kind: name, selector } of found) {
    const kind = kindNamed(name);
    if (kind && !kind.besidePage) for (const element of heldBy(tree, kind, selector)) owned.add(element);
  }
  return owned;
}

/**
 * The sections of a page in which something stands that belongs to no component.
 *
 * @param found the components of the page
 */
export function findRest(styles: PageStyles, found: readonly FoundComponent[]): FoundComponent[] {
  const { tree } = styles;
  const owned = ownedBy(styles.tree, found);
  const sections = new Set<ElementNode>();
  for (const element of tree.elements) {
    const { parent } = element;
    if (owned.has(element)) continue;
    if (element.name === 'head' || (parent && !canBePart(parent) && parent.name !== 'html')) continue;
    if (!isShown(element)) continue;
    const section = [element, ...ancestors(element)].find(isSection);
    if (section) sections.add(section);
  }
  return rootGroups(SECTION, [...sections], styles, { apart: true }).map(({ base, elements }): FoundComponent => {
    const first = elements[0]!;
    return {
      kind: SECTION.name,
      name: nameOf(first).slice(0, 40),
      selector: base,
      locator: locatorFor(first, base),
      elements: elements.map(({ order }) => order),
      reach: selectAll(tree, base).length,
      region: REST,
    };
  });
}
