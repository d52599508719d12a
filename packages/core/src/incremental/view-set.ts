import { reachOf } from '../css/cascade/reach.js';
import { once } from '../memo/once.js';
import type { StyledPage } from '../css/cascade/page-styles.js';
import type { LookRule } from './look-rules.js';

let numbered = 0;
const numberOf = once((_view: StyledPage) => ++numbered);
const NOWHERE = {};
const setsWith = once((_view: object) => new Map<string, ViewSet>());

/** Views of a page that something is worked out from: it holds as long as the rules that match in one of them do. */
export class ViewSet {
  private readonly views: readonly StyledPage[];
  private readonly touched = new Map<number, boolean>();

  private constructor(views: readonly StyledPage[]) {
    this.views = views;
  }

  /**
   * The same views are the same set, so that what is found out about them is found out once.
   *
   * @param views of the page without a look
   */
  static of(views: Iterable<StyledPage>): ViewSet {
    const own = [...new Set(views)];
    const key = own.map(numberOf).join();
    // Kept with one of its views, so that it goes when they do.
    const known = setsWith(own[0] ?? NOWHERE);
    let set = known.get(key);
    if (!set) known.set(key, (set = new ViewSet(own)));
    return set;
  }

  /** True when a rule of a look matches anything in one of the views. */
  isTouchedBy({ selectorId, entries }: LookRule): boolean {
    let answer = this.touched.get(selectorId);
    if (answer === undefined) {
      answer = this.views.some(({ styles, forced }) =>
        entries.some((entry) => reachOf(styles.tree, entry).isMetIn(forced)),
      );
      this.touched.set(selectorId, answer);
    }
    return answer;
  }
}
