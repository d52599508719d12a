import type { Steps } from '../base/steps.js';
import type { ComponentPlace, PlacedComponent } from '../parts/placed-component.js';
import type { SiteUnder } from './site.js';

/** Where a component stands on one page of a site. */
export interface PageReach {
  readonly version: string;
  readonly pageId: string;
  readonly name: string;
  /** How many elements are its roots there. */
  readonly elements: number;
  /** Names of the parts that it has there, outermost first. */
  readonly parts: readonly string[];
  /** True where it is made of other parts than on the page in hand, has more elements, or is the page itself. */
  readonly isUnlike: boolean;
}

const partsIn = ({ parts }: PlacedComponent): string[] =>
  parts.flatMap(({ part, subjects }) => (subjects.length ? [part.name] : []));

const isWholePage = ({ element }: PlacedComponent): boolean => element.name === 'html' || element.name === 'body';

/**
 * The pages of a site that a look of a component reaches, the one in hand first.
 *
 * @param place the component, as it is styled
 * @param pageId the page that it is styled on
 */
export function* reachingAcross(site: SiteUnder, place: ComponentPlace, pageId: string): Steps<readonly PageReach[]> {
  const own = site.pages.find((page) => page.pageId === pageId);
  const here = own && site.on(own.version).place(place);
  const others = site.pages.filter((page) => page !== own);
  const reach: PageReach[] = [];
  const add = ({ version, name, pageId: id }: (typeof others)[number], placed: PlacedComponent) => {
    const elements = placed.located.elements.length;
    const isUnlike =
      here !== undefined &&
      placed !== here &&
      (isWholePage(placed) ||
        elements > here.located.elements.length ||
        partsIn(placed).join() !== partsIn(here).join());
    reach.push({ version, pageId: id, name, elements, parts: partsIn(placed), isUnlike });
  };
  if (own && here) add(own, here);
  for (const [i, page] of others.entries()) {
    yield { done: i, of: others.length };
    const placed = site.on(page.version).place(place);
    // What is much like it on another page is none of it.
    if (placed && placed.located.outcome !== 'moved') add(page, placed);
  }
  return reach;
}
