import type { ElementNode, PageTree } from '../page/tree.js';
import { contextOf, type ForcedStates } from './forced.js';
import { once } from '../once.js';
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
  const found = candidates(tree, last).filter(
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
        const context = contextOf(forced, quirks);
        // States of a pseudo-element are not those of its element, so any of it may be meant.
        const isOwn = entry.selector.pseudoTests.length > 0;
        answer = found.some((element) => isOwn || matchEntry(entry, element, context) !== undefined);
        met.set(forced, answer);
      }
      return answer;
    },
  };
}

/** Elements of a page by name and by class, as `a` and `.a`, so that few are looked at one by one. */
const byFeature = once((tree: PageTree): ReadonlyMap<string, readonly ElementNode[]> => {
  const found = new Map<string, ElementNode[]>();
  for (const element of tree.elements) {
    const features = new Set([element.name.toLowerCase(), ...element.classes.map((name) => `.${name}`)]);
    for (const feature of features) {
      const own = found.get(feature);
      if (own) own.push(element);
      else found.set(feature, [element]);
    }
  }
  return found;
});

/** Elements that a compound could be about; in quirks mode the case of a class says nothing. */
function candidates(tree: PageTree, { classes, tag }: Compound): readonly ElementNode[] {
  const [first] = tree.quirks ? [] : classes;
  const feature = first === undefined ? tag : `.${first}`;
  return feature === undefined ? tree.elements : (byFeature(tree).get(feature) ?? []);
}

/** What a compound asks of the name, the id and the classes; in quirks mode letter case is left to the match itself. */
const mayBe = (compound: Compound, element: ElementNode, quirks: boolean): boolean =>
  (compound.tag === undefined || compound.tag === element.name.toLowerCase()) &&
  (quirks || compound.id === undefined || compound.id === element.id) &&
  (quirks || compound.classes.every((name) => element.classes.includes(name)));
