import type { ElementNode, PageTree } from '../../tree/tree.js';
import { contextOf, type ForcedStates } from '../selector/forced.js';
import { type PageRules, type RuleIndex, type RuleSets } from './rules.js';
import { entryOf, matchEntry, type CascadeSheet, type Matches, type RuleEntry } from './rule-entry.js';
import { once } from '../../memo/once.js';
import { propertyInfo } from '../property/table.js';
import type { RuleSet } from './rule-set.js';
import { reachOf } from './reach.js';
import type { StyleRule } from '../sheet/sheet.js';

/** What is otherwise in the last sheets of a page. */
export interface RuleRevision {
  readonly removed: ReadonlySet<StyleRule>;
  /** New rules with their places among the rules of the index that is revised; a place may lie between two of them. */
  readonly added: readonly { readonly rule: StyleRule; readonly place: number }[];
}

/** What a rule says beside colours, and where; empty where it says nothing else. */
const shapeOf = once((rule: StyleRule): string => {
  // Under a condition more may be told apart than its text says.
  if (rule.conditions.length) return `${++conditional}`;
  const said = rule.declarations
    .filter(({ property, substitutes }) => substitutes || property.startsWith('--') || !holdsColour(property))
    .map(({ property, value, important }) => `${property}:${value}${important ? '!' : ''}`);
  return said.length ? `${rule.selectorText}{${said.join(';')}}` : '';
});
let conditional = 0;
const holdsColour = (property: string): boolean => propertyInfo(property).holdsColour;

/** Numbers of entries that are none of an index's own. */
let indices = 1 << 28;

/**
 * The rules of a page of which a few were taken away, added or put in the place of others. Where none of these matches,
 * all that was worked out for the page holds.
 */
export class RevisedRules implements PageRules {
  readonly tree: PageTree;
  readonly sheets: readonly CascadeSheet[];
  readonly layered: boolean;
  readonly ruleSets: RuleSets;
  private readonly added: readonly RuleEntry[];
  private readonly changed: readonly RuleEntry[];
  /** Entries that say more than colours, taken away and new. */
  private readonly shapes: readonly (readonly RuleEntry[])[];
  private readonly alike = new WeakMap<ForcedStates, boolean>();
  private readonly matched = new Map<ElementNode, Matches>();

  /** @param base an index whose last sheets are unlayered sheets of the author's */
  constructor(
    private readonly base: RuleIndex,
    private readonly revision: RuleRevision,
  ) {
    this.tree = base.tree;
    this.sheets = base.sheets;
    this.layered = base.layered;
    this.ruleSets = over(base.ruleSets);
    this.added = revision.added.flatMap(({ rule, place }) =>
      rule.selectors.map((selector) => entryOf(base.tree.quirks, rule, selector, ++indices, base.firstOrder + place)),
    );
    const removed = base.ownEntries.filter(({ rule }) => revision.removed.has(rule));
    this.shapes = [removed, this.added].map((entries) => entries.filter(({ rule }) => shapeOf(rule)));
    const bySelector = new Map([...removed, ...this.added].map((entry) => [entry.selector.text, entry]));
    this.changed = [...bySelector.values()];
  }

  private ofAuthor: readonly StyleRule[] | undefined;
  get authorRules(): readonly StyleRule[] {
    const { removed, added } = this.revision;
    return (this.ofAuthor ??= [
      ...this.base.authorRules.filter((rule) => !removed.has(rule)),
      ...added.map(({ rule }) => rule),
    ]);
  }

  matchesOf(element: ElementNode): Matches {
    let found = this.matched.get(element);
    if (found) return found;
    found = this.base.matchesOf(element);
    if (this.differsFor(element)) {
      const fixed = found.fixed.filter((entry) => this.keeps(entry));
      const stateful = found.stateful.filter((entry) => this.keeps(entry));
      for (const entry of this.addedFor(element)) (entry.selector.states ? stateful : fixed).push(entry);
      found = { fixed, stateful };
    }
    this.matched.set(element, found);
    return found;
  }

  /** False for what was taken away. */
  keeps({ rule }: RuleEntry): boolean {
    return !this.revision.removed.has(rule);
  }

  private reaching(entries: readonly RuleEntry[], element: ElementNode): readonly RuleEntry[] {
    return entries.filter((entry) => reachOf(this.tree, entry).elements.has(element));
  }

  /** New entries that may match an element in some state. */
  readonly addedFor = once((element: ElementNode) => this.reaching(this.added, element));
  /** The same for those that were taken away as well. */
  private readonly changedFor = once((element: ElementNode) => this.reaching(this.changed, element));

  differsFor(element: ElementNode): boolean {
    return this.changedFor(element).length > 0;
  }

  differsAt(element: ElementNode, pseudo: string | undefined, forced: ForcedStates): boolean {
    const own = this.changedFor(element);
    if (!own.length) return false;
    const context = contextOf(forced, this.tree.quirks);
    return own.some(
      (entry) => entry.selector.pseudoElement === pseudo && matchEntry(entry, element, context) !== undefined,
    );
  }

  /** True when a rule that is otherwise matches anything on the page in forced states. */
  differsIn(forced: ForcedStates): boolean {
    return this.changed.some((entry) => reachOf(this.tree, entry).isMetIn(forced));
  }

  /** True when in forced states nothing but colours is set otherwise. */
  isColourOnlyIn(forced: ForcedStates): boolean {
    if (this.shapes.every(({ length }) => !length)) return true;
    let alike = this.alike.get(forced);
    if (alike === undefined) {
      const [gone, put] = this.shapes.map((entries) =>
        entries.flatMap((entry) => (reachOf(this.tree, entry).isMetIn(forced) ? [shapeOf(entry.rule)] : [])).join(),
      );
      this.alike.set(forced, (alike = gone === put));
    }
    return alike;
  }
}

/** What is put in stays apart from what was there. */
function over(base: RuleSets): RuleSets {
  const own = new Map<string, RuleSet>();
  return { get: (key) => own.get(key) ?? base.get(key), set: (key, rules) => void own.set(key, rules) };
}
