import { pageLedgerSteps, type LedgerEntry, type LedgerOptions } from '../report/page-ledger.js';
import { pageRemedies, type ComponentWays, type WaysOptions } from '../report/page-remedies.js';
import { seenPage } from '../session/seen-page.js';
import type { DressedPage } from './dressed-page.js';
import type { Progress, Steps } from '../base/steps.js';
import type { SitePage } from './worn.js';
import type { SiteUnder } from './site.js';

/** Which page is reported on: the one with the looks that are worn, or the one that was brought. */
export const LOOKS_SHOWN = ['worn', 'none'] as const;
export type LooksShown = (typeof LOOKS_SHOWN)[number];

const shownOn = (dressed: DressedPage, looks: LooksShown) => (looks === 'worn' ? dressed.seen : seenPage(dressed.page));

/** All checks of a page, with the looks on it or without; it can be left after each component. */
export const pageChecks = (dressed: DressedPage, looks: LooksShown, options: LedgerOptions): Steps<LedgerEntry[]> =>
  pageLedgerSteps(shownOn(dressed, looks), options);

/** Suggested fixes for the components of a page, from the looks that they wear or from nothing. */
export const pageWays = (dressed: DressedPage, looks: LooksShown, options: WaysOptions): ComponentWays[] =>
  looks === 'worn'
    ? pageRemedies(dressed.page, options, (place) => dressed.wearing(place))
    : pageRemedies(dressed.page, options);

/** The checks of one page of a site. */
export interface PageChecks {
  readonly page: SitePage;
  readonly entries: readonly LedgerEntry[];
}

/**
 * All checks of a site, page by page.
 *
 * @param from how many pages are left out at the start: those that an earlier run has done already
 */
export function* siteChecks(
  site: SiteUnder,
  looks: LooksShown,
  options: LedgerOptions,
  onPage: (checks: PageChecks, index: number) => void,
  from = 0,
): Generator<Progress, void, void> {
  const { pages } = site;
  for (const [index, page] of pages.entries()) {
    if (index < from) continue;
    const steps = pageChecks(site.on(page.version), looks, options);
    for (;;) {
      const step = steps.next();
      if (step.done) {
        onPage({ page, entries: step.value }, index);
        break;
      }
      yield { done: index + step.value.done / step.value.of, of: pages.length };
    }
    yield { done: index + 1, of: pages.length };
  }
}
