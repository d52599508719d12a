import { reachOf } from '../css/reach.js';
import type { StyledPage } from '../css/styles.js';
import type { LookRule } from './look-rules.js';

/** Views of a page that something is worked out from: it holds as long as the rules that match in one of them do. */
export class ViewSet {
  private readonly views: readonly StyledPage[];
  private readonly touched = new Map<number, boolean>();

  /** @param views of the page without a look */
  constructor(views: Iterable<StyledPage>) {
    this.views = [...new Set(views)];
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
