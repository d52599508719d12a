import type { Steps } from '../base/steps.js';
import { changedChecks, type ChangedChecks } from '../ledger/due.js';
import type { Look } from '../look/model.js';
import type { SaidBesides } from '../look/said-besides.js';
import type { FoundComponent } from '../component/found.js';
import type { LedgerCheck } from '../ledger/ledger-check.js';
import type { PageSession } from '../parts/page-session.js';
import type { ComponentPlace } from '../parts/placed-component.js';
import type { RemedyRequest } from '../remedy/drafting.js';
import type { DressedPage } from './dressed-page.js';
import type { SiteUnder } from './site.js';
import { componentKey, isWornAt, type WornLook } from './worn.js';

/** What other looks do to the checks of one component. */
export interface ComponentEffect extends ChangedChecks {
  readonly version: string;
  readonly place: ComponentPlace;
  readonly name: string;
}

/** A component of a site on the page where it is looked at: the first that has it. */
export interface SiteComponent {
  readonly version: string;
  readonly place: ComponentPlace;
  readonly name: string;
  /** Other pages that have it. */
  readonly alsoOn: readonly string[];
}

/** What is set in the look of a component, besides what that says already. */
export interface LookShare extends Omit<SiteComponent, 'alsoOn'>, SaidBesides {}

/** What a look can be put on: the components of a page, and what of it belongs to none, section by section. */
const withRest = (page: PageSession) => [...page.components(), ...page.rest()];

/**
 * Every component of a site once.
 *
 * @param on what of a page is meant
 */
export function componentsOfSite(
  site: SiteUnder,
  on: (page: PageSession) => readonly FoundComponent[] = withRest,
): SiteComponent[] {
  const found = new Map<string, SiteComponent & { alsoOn: string[] }>();
  for (const { version } of site.pages) {
    const { page } = site.on(version);
    for (const { kind, locator, name } of on(page)) {
      const key = componentKey({ kind, locator });
      const known = found.get(key);
      if (known) known.alsoOn.push(version);
      else found.set(key, { version, place: { kind, locator }, name, alsoOn: [] });
    }
  }
  return [...found.values()];
}

/**
 * The checks that change where a site wears other looks: of every component that these have a say in, on every page.
 *
 * @param before and after the same pages under the one looks and the other; looks that stay are the same objects
 */
export function* comparingChecks(
  before: SiteUnder,
  after: SiteUnder,
  request: RemedyRequest,
): Steps<ComponentEffect[]> {
  const effects: ComponentEffect[] = [];
  const components = componentsOfSite(before);
  for (const [done, { version, place, name, alsoOn }] of components.entries()) {
    for (const page of [version, ...alsoOn]) {
      const [was, is] = [before.on(page), after.on(page)];
      if (saysTheSame(was, is, place)) continue;
      const { mended, broken } = changedChecks(checksOf(was, place, request), checksOf(is, place, request));
      if (mended.length || broken.length) effects.push({ version: page, place, name, mended, broken });
    }
    yield { done: done + 1, of: components.length };
  }
  return effects;
}

/** Has a component wear another look in a list of looks that are worn; the others stay the same objects. */
export function wearOther(looks: WornLook[], { place, name }: Pick<SiteComponent, 'place' | 'name'>, look: Look): void {
  const { kind, locator } = place;
  const at = looks.findIndex((own) => isWornAt(own, place));
  if (at >= 0) looks[at] = { ...looks[at]!, look };
  else looks.push({ id: componentKey(place), name, kind, locator, look });
}

function checksOf(page: DressedPage, place: ComponentPlace, request: RemedyRequest): LedgerCheck[] {
  const { session, look } = page.wearing(place);
  // What may be due is all that is compared.
  return session.requiredChecks(look, request);
}

/** Whether the same looks have a say in a component under both. */
function saysTheSame(was: DressedPage, is: DressedPage, place: ComponentPlace): boolean {
  const looks = (page: DressedPage) => {
    const own = page.wornAt(place);
    return [...(own ? [own] : []), ...page.under(place)];
  };
  const [a, b] = [looks(was), looks(is)];
  return a.length === b.length && a.every((worn, i) => worn === b[i]);
}
