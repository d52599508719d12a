import type { ElementNode, PageTree } from '../../tree/tree.js';
import { contextOf, type ForcedStates } from '../selector/forced.js';
import { once } from '../../memo/once.js';
import { ancestorsMayHave } from './ancestor-filter.js';
import { matchEntry, type RuleEntry } from './rule-entry.js';
import type { Compound, MatchContext } from '../selector/types.js';

/** What one selector may match on a page. */
export interface Reach {
  /** Elements that it may match in some state. */
  readonly elements: ReadonlySet<ElementNode>;
  /** True when it matches one of them in forced states. */
  isMetIn(forced: ForcedStates): boolean;
}

/** Selectors that are kept for a page; beyond it all are looked up anew. */
const MAX_KEPT = 4000;
const reaches = once((_tree: PageTree) => new Map<string, Reach>());

/** Elements of a page that an entry may match. Kept by selector, so a rule with other declarations costs nothing. */
export function reachOf(tree: PageTree, entry: RuleEntry): Reach {
  const bySelector = reaches(tree);
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
  const { states } = entry.selector;
  const able = candidatesFor(tree, last, entry.needs);
  const found = states ? able : able.filter((element) => matchEntry(entry, element, rest) !== undefined);
  const met = new WeakMap<ForcedStates, boolean>();
  // States of a pseudo-element are not those of its element, so any of it may be meant.
  const isOwn = entry.selector.pseudoTests.length > 0;
  const isMatched = (context: MatchContext) =>
    found.some((element) => isOwn || matchEntry(entry, element, context) !== undefined);
  let atRest: boolean | undefined;
  return {
    elements: new Set(found),
    isMetIn: (forced) => {
      // Where none of the states is forced that it asks about, it matches what it does at rest.
      if (!(states & forced.union)) return (atRest ??= isMatched(rest));
      let answer = met.get(forced);
      if (answer === undefined) met.set(forced, (answer = isMatched(contextOf(forced, quirks))));
      return answer;
    },
  };
}

const candidates = once((_tree: PageTree) => new Map<string, readonly ElementNode[]>());

/** Elements that have what the selector asks of names, ids and classes; selectors of many states ask the same. */
function candidatesFor(tree: PageTree, last: Compound, needs: readonly number[]): readonly ElementNode[] {
  const known = candidates(tree);
  const key = [needs.join(), last.tag, last.id, ...last.classes].join('\u0000');
  let found = known.get(key);
  if (!found) {
    found = tree.elements.filter((element) => mayBe(last, element, tree.quirks) && ancestorsMayHave(element, needs));
    if (known.size >= MAX_KEPT) known.clear();
    known.set(key, found);
  }
  return found;
}

/** What a compound asks of the name, the id and the classes; in quirks mode letter case is left to the match itself. */
const mayBe = (compound: Compound, element: ElementNode, quirks: boolean): boolean =>
  (compound.tag === undefined || compound.tag === element.name.toLowerCase()) &&
  (quirks || compound.id === undefined || compound.id === element.id) &&
  (quirks || compound.classes.every((name) => element.classes.includes(name)));
