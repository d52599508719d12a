import type { StagedPages } from '../page/staged-pages.js';
import { ComponentSession } from './component-session.js';
import type { Measures } from './page-measures.js';
import type { PageSession } from './page-session.js';
import type { ComponentPlace } from './placed-component.js';

/** A page as it is seen: as it was brought, or with looks on it. */
export interface SeenPage {
  readonly seen: 'as it is' | 'restyled';
  readonly page: PageSession;
  readonly pages: StagedPages;
  readonly measures: Measures;
  /** A component so seen; a look on it comes on top of what is seen. */
  readonly component: (place: ComponentPlace) => ComponentSession;
}

/** A page as it was brought. */
export const seenPage = (page: PageSession): SeenPage => ({
  seen: 'as it is',
  page,
  pages: page.pages,
  measures: page.measures,
  component: ({ kind, locator, parts }) => new ComponentSession(page, kind, locator, { ...(parts ? { parts } : {}) }),
});
