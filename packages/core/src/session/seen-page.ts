import type { StagedPages } from '../page/staged-pages.js';
import { once } from '../memo/once.js';
import { ComponentSession } from './component-session.js';
import type { Measures } from '../parts/page-measures.js';
import type { PageSession } from '../parts/page-session.js';
import { forgetOldest } from '../memo/kept-answers.js';
import { placeKey, type ComponentPlace } from '../parts/placed-component.js';
import { ownPartsOf } from '../component/own-parts.js';

/** A page as it is seen: as it was brought, or with looks on it. */
export interface SeenPage {
  readonly seen: 'as it is' | 'restyled';
  readonly page: PageSession;
  readonly pages: StagedPages;
  readonly measures: Measures;
  /** A component so seen; a look on it comes on top of what is seen. */
  readonly component: (place: ComponentPlace) => ComponentSession;
}

/** Components of a page that are kept. */
const MAX_COMPONENTS = 60;

/** A page as it was brought; the same object for the same page, so that its components are put together once. */
export const seenPage = once((page: PageSession): SeenPage => {
  const sessions = new Map<string, ComponentSession>();
  return {
    seen: 'as it is',
    page,
    pages: page.pages,
    measures: page.measures,
    component: (place) => {
      const key = placeKey(place);
      let session = sessions.get(key);
      if (!session) {
        session = new ComponentSession(page, place.kind, place.locator, ownPartsOf(place));
        sessions.set(key, session);
        forgetOldest(sessions, MAX_COMPONENTS);
      }
      return session;
    },
  };
});
