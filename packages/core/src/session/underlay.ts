import { asLastSheet } from '../handover/index.js';
import { markStates } from '../page/rewrite-sheet.js';
import type { StagedPages } from '../page/staged-pages.js';
import type { PageSession } from '../parts/page-session.js';
import type { FrameRules } from '../incremental/frame-rules.js';

/** What the sheet of other components' looks is called where a value comes from it. */
export const OTHER_LOOKS = 'the look of another component';

/** A page with the looks of other components on it, which one is resolved over. */
export interface Underlay {
  readonly css: string;
  readonly pages: StagedPages;
  /** The same for still frames. */
  readonly frames: FrameRules;
}

/** What the looks of other components say, in the order of the cascade. */
export interface Among {
  /** Those that lie under the component's own look. */
  readonly under?: Underlay | undefined;
  /** Those that lie over it. */
  readonly over?: Underlay | undefined;
}

export const underlayOf = (page: PageSession, css: string): Underlay => ({
  css,
  pages: page.pages.extended([asLastSheet(css, OTHER_LOOKS)]),
  frames: { id: 0, rules: [{ states: 0, css: markStates(css) }] },
});
