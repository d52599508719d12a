import type { ElementNode, PageTree } from '../../tree/tree.js';
import type { StyleRule } from '../sheet/sheet.js';
import { environmentKey, type Environment } from '../conditions/environment.js';
import type { ForcedStates } from '../selector/forced.js';
import type { MatchContext } from '../selector/types.js';
import { EnvironmentRules } from './environment-rules.js';
import { layerKey } from './layer-ranks.js';
import { PlacedRule } from './placed-rule.js';
import { RuleBuckets } from './rule-buckets.js';
import { matchEntry, type CascadeSheet, type Matches, type RuleEntry } from './rule-entry.js';
import type { RuleSet } from './rule-set.js';

/** The rules of a page, as styles ask for them. */
export interface PageRules {
  readonly tree: PageTree;
  readonly sheets: readonly CascadeSheet[];
  /** Rules of the site's own sheets, those that browsers drop among them. */
  readonly authorRules: readonly StyleRule[];
  /** True when some rule stands in a layer. */
  readonly layered: boolean;
  /** @internal Sets of matched rules, shared by all environments. */
  readonly ruleSets: RuleSets;
  /** Entries that match in any environment, pseudo-elements of the element included. */
  matchesOf(element: ElementNode): Matches;
  /** True when other rules than those of the page that this one is made from may match an element in some state. */
  differsFor(element: ElementNode): boolean;
  /** The same in forced states. */
  differsAt(element: ElementNode, pseudo: string | undefined, forced: ForcedStates): boolean;
}

/** Sets of matched rules, by what matched. */
export interface RuleSets {
  get(key: string): RuleSet | undefined;
  set(key: string, rules: RuleSet): void;
}

/** Marks keys of rule sets that an element's own attributes have a say in. */
export const OF_ELEMENT = 'e';
const isOfElement = (key: string): boolean => key.startsWith(OF_ELEMENT);

/** The rules of a list of sheets: all that does not depend on the tree that they are matched with. */
class SheetRules {
  /** Place of the first of the rules that these add to others. */
  readonly firstOrder: number;
  readonly buckets: RuleBuckets;
  readonly layered: boolean;
  readonly ruleSets: RuleSets = new Map<string, RuleSet>();
  private readonly placed: PlacedRule[] = [];
  private readonly lastOrder: number;
  /** Indices of entries that are given away. */
  private readonly indices: number;
  private readonly extensions = new WeakMap<readonly CascadeSheet[], SheetRules>();
  private readonly byEnvironment = new Map<string, EnvironmentRules>();

  constructor(
    readonly sheets: readonly CascadeSheet[],
    private readonly quirks: boolean,
    base?: SheetRules,
  ) {
    this.buckets = new RuleBuckets(quirks);
    let indices = base?.indices ?? 0;
    let order = base?.lastOrder ?? 0;
    let layered = base?.layered ?? false;
    this.firstOrder = order + 1;
    for (const { sheet, origin, conditions, layer, owner } of sheets.slice(base?.sheets.length ?? 0)) {
      for (const rule of sheet.written) {
        order++;
        const all = rule.conditions.length ? [...conditions, ...rule.conditions] : conditions;
        const key = layerKey(origin, rule.layer.length ? [...layer, ...rule.layer] : layer);
        layered ||= key !== '';
        const placed = new PlacedRule(rule, quirks, indices, order, { origin, layer: key, conditions: all, owner });
        indices += placed.slots.length;
        this.placed.push(placed);
        for (const slot of placed.slots) this.buckets.add(slot);
      }
    }
    [this.indices, this.lastOrder, this.layered] = [indices, order, layered];
  }

  private ofAuthor: readonly StyleRule[] | undefined;
  get authorRules(): readonly StyleRule[] {
    return (this.ofAuthor ??= this.sheets.flatMap(({ sheet, origin }) => (origin === 'author' ? sheet.written : [])));
  }

  private known: readonly RuleEntry[] | undefined;
  /** Entries of the sheets that these add to others. */
  get own(): readonly RuleEntry[] {
    return (this.known ??= this.placed.flatMap(({ entries }) => entries));
  }

  /** These with more sheets behind them; the same for the same sheets. */
  extended(more: readonly CascadeSheet[]): SheetRules {
    let known = this.extensions.get(more);
    if (!known) this.extensions.set(more, (known = new SheetRules([...this.sheets, ...more], this.quirks, this)));
    return known;
  }

  /** What of them counts in an environment. */
  in(index: PageRules, environment: Environment): EnvironmentRules {
    const key = environmentKey(environment);
    let known = this.byEnvironment.get(key);
    if (!known) this.byEnvironment.set(key, (known = new EnvironmentRules(index, environment)));
    return known;
  }
}

/**
 * All rules of a page, indexed once for every environment and state. An index can be extended by further sheets without
 * being built again, which is how a look is tried on a page; and it can be put on the same page with its markup in
 * another state.
 */
export class RuleIndex implements PageRules {
  private readonly matched = new Map<ElementNode, Matches>();
  /** Elements that rules of this index, not of the one it extends, may reach. */
  private readonly added = new Set<ElementNode>();
  private readonly rules: SheetRules;

  constructor(
    readonly tree: PageTree,
    sheets: readonly CascadeSheet[],
    private readonly base?: RuleIndex,
    rules?: SheetRules,
  ) {
    this.rules = rules ?? new SheetRules(sheets, tree.quirks);
  }

  get sheets(): readonly CascadeSheet[] {
    return this.rules.sheets;
  }

  get authorRules(): readonly StyleRule[] {
    return this.rules.authorRules;
  }

  get layered(): boolean {
    return this.rules.layered;
  }

  /** What an element's own attributes have a say in stays with this tree; the rest goes for the page in every state. */
  readonly ruleSets: RuleSets = {
    get: (key) => (isOfElement(key) ? this.ofElements : this.rules.ruleSets).get(key),
    set: (key, rules) => void (isOfElement(key) ? this.ofElements : this.rules.ruleSets).set(key, rules),
  };
  private readonly ofElements = new Map<string, RuleSet>();

  /** @internal Entries of the sheets that this index adds to another. */
  get ownEntries(): readonly RuleEntry[] {
    return this.rules.own;
  }

  /** @internal Place of the first of them among all rules. */
  get firstOrder(): number {
    return this.rules.firstOrder;
  }

  /** What of the rules counts in an environment. */
  in(environment: Environment): EnvironmentRules {
    return this.rules.in(this, environment);
  }

  /** The same rules on the same page with its markup in another state. */
  onto(tree: PageTree): RuleIndex {
    return new RuleIndex(tree, this.sheets, undefined, this.rules);
  }

  /** This index with more sheets behind its own. */
  extended(more: readonly CascadeSheet[]): RuleIndex {
    return new RuleIndex(this.tree, [], this, this.rules.extended(more));
  }

  matchesOf(element: ElementNode): Matches {
    let found = this.matched.get(element);
    if (found) return found;
    const fixed: RuleEntry[] = [];
    const stateful: RuleEntry[] = [];
    const context: MatchContext = { stateOf: () => 0, quirks: this.tree.quirks };
    for (const entry of this.rules.buckets.candidates(element)) {
      if (entry.selector.states) stateful.push(entry);
      else if (matchEntry(entry, element, context) !== undefined) fixed.push(entry);
    }
    if (fixed.length || stateful.length) this.added.add(element);
    const inherited = this.base?.matchesOf(element);
    found = inherited
      ? { fixed: [...inherited.fixed, ...fixed], stateful: [...inherited.stateful, ...stateful] }
      : { fixed, stateful };
    this.matched.set(element, found);
    return found;
  }

  differsFor(element: ElementNode): boolean {
    this.matchesOf(element);
    return this.added.has(element);
  }

  differsAt(element: ElementNode): boolean {
    return this.differsFor(element);
  }
}
