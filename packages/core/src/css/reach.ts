import type { ElementNode, PageTree } from '../page/tree.js';
import type { ForcedStates } from './forced.js';
import { AncestorFilter, matchEntry, type RuleEntry } from './rules.js';
import type { Compound, MatchContext } from './selector/types.js';

/** What one selector may match on a page. */
export interface Reach {
  /** Elements that it may match in some state. */
  readonly elements: ReadonlySet<ElementNode>;
  /** True when it matches one of them in forced states. */
  isMetIn(forced: ForcedStates): boolean;
}

/** Selectors that are kept for a page; beyond it all are looked up anew. */
const MAX_KEPT = 4000;
const filter = new AncestorFilter();
const known = new WeakMap<PageTree, Map<string, Reach>>();

/** Elements of a page that an entry may match. Kept by selector, so a rule with other declarations costs nothing. */
export function reachOf(tree: PageTree, entry: RuleEntry): Reach {
  let bySelector = known.get(tree);
  if (!bySelector) known.set(tree, (bySelector = new Map()));
  let reach = bySelector.get(entry.selector.text);
  if (!reach) {
    if (bySelector.size >= MAX_KEPT) bySelector.clear();
    bySelector.set(entry.selector.text, (reach = reachAfresh(tree, entry)));
  }
  return reach;
}

function reachAfresh(tree: PageTree, entry: RuleEntry): Reach {
  const last = entry.selector.compounds.at(-1)!;
  const { quirks } = tree;
  const rest: MatchContext = { stateOf: () => 0, quirks };
  const found = tree.elements.filter(
    (element) =>
      mayBe(last, element, quirks) &&
      filter.mayMatch(element, entry.needs) &&
      (entry.selector.states !== 0 || matchEntry(entry, element, rest) !== undefined),
  );
  const met = new WeakMap<ForcedStates, boolean>();
  return {
    elements: new Set(found),
    isMetIn: (forced) => {
      let answer = met.get(forced);
      if (answer === undefined) {
        const context: MatchContext = { stateOf: (node) => forced.bits.get(node) ?? 0, quirks };
        // States of a pseudo-element are not those of its element, so any of it may be meant.
        const isOwn = entry.selector.pseudoTests.length > 0;
        answer = found.some((element) => isOwn || matchEntry(entry, element, context) !== undefined);
        met.set(forced, answer);
      }
      return answer;
    },
  };
}

/** What a compound asks of the name, the id and the classes; in quirks mode letter case is left to the match itself. */
const mayBe = (compound: Compound, element: ElementNode, quirks: boolean): boolean =>
  (compound.tag === undefined || compound.tag === element.name.toLowerCase()) &&
  (quirks || compound.id === undefined || compound.id === element.id) &&
  (quirks || compound.classes.every((name) => element.classes.includes(name)));
