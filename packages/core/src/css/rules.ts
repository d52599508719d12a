import { ancestors, type ElementNode, type PageTree } from '../page/tree.js';
import { environmentKey, type Environment } from './environment.js';
import { ancestorsMayHave, needsOf } from './ancestor-filter.js';
import type { Applied } from './applied.js';
import type { ForcedStates } from './forced.js';
import { evaluateMedia } from './media.js';
import type { RuleSet } from './rule-set.js';
import { compareSpecificity } from './selector/specificity.js';
import { ATOMS, type StateBits } from './selector/states.js';
import { matches, matchesAny } from './selector/match.js';
import type { CompiledSelector, Compound, MatchContext } from './selector/types.js';
import type {
  Condition,
  ContainerCondition,
  Declaration,
  LayerEntry,
  Origin,
  ParsedSheet,
  Scope,
  StyleRule,
} from './sheet.js';

/** One sheet of a page, in its place in the order. */
export interface CascadeSheet {
  readonly sheet: ParsedSheet;
  readonly origin: Origin;
  /** Conditions of the sheet as a whole: a `media` attribute, or those of the @import that brought it. */
  readonly conditions: readonly Condition[];
  /** Layer that an @import puts the whole sheet into. */
  readonly layer: readonly string[];
  /** Parent of the element that holds the sheet; what an @scope without a start is about. */
  readonly owner?: ElementNode | undefined;
}

/** One selector of one rule, ready for matching. */
export interface RuleEntry {
  readonly index: number;
  readonly selector: CompiledSelector;
  readonly rule: StyleRule;
  readonly origin: Origin;
  readonly layer: string;
  /** Place of the rule among all rules; the same for all selectors of one rule. */
  readonly order: number;
  readonly conditions: readonly Condition[];
  readonly containers: readonly ContainerCondition[];
  readonly owner: ElementNode | undefined;
  /** What some ancestor must have; see `ancestorsMayHave`. */
  readonly needs: readonly number[];
  /** @internal Declarations made ready for the cascade, by their place in the rule. */
  readonly kept: (Applied | undefined)[];
}

/** Entries that match an element, and those that do only in some interaction state. */
export interface Matches {
  readonly fixed: readonly RuleEntry[];
  readonly stateful: readonly RuleEntry[];
}

const layerKey = (origin: Origin, path: readonly string[]): string =>
  path.length ? `${origin} ${path.join('\u0000')}` : '';

/** Entries by what their last compound needs. */
class Buckets {
  private readonly byKey = new Map<string, RuleEntry[]>();
  private readonly anywhere: RuleEntry[] = [];
  private choices = false;
  private attributes = false;

  private put(key: string, entry: RuleEntry): void {
    if (key.startsWith('[')) this.attributes = true;
    const list = this.byKey.get(key);
    if (!list) this.byKey.set(key, [entry]);
    else if (list.at(-1) !== entry) list.push(entry);
  }

  /** The most telling key of a compound; undefined when it could match anything. */
  private static key(compound: Compound, quirks: boolean): string | undefined {
    // In quirks mode ids and classes match without regard to case, so they cannot be keys.
    if (!quirks && compound.id !== undefined) return `#${compound.id}`;
    if (!quirks && compound.classes.length) return `.${compound.classes[0]!}`;
    return compound.tag ?? (compound.attribute === undefined ? undefined : `[${compound.attribute}`);
  }

  add(entry: RuleEntry, quirks: boolean): void {
    const last = entry.selector.compounds.at(-1)!;
    const key = Buckets.key(last, quirks);
    if (key !== undefined) return this.put(key, entry);
    const choices = last.anyOf?.map((compound) => Buckets.key(compound, quirks));
    if (choices?.length && choices.every((choice) => choice !== undefined)) {
      this.choices ||= choices.length > 1;
      for (const choice of choices) this.put(choice!, entry);
    } else this.anywhere.push(entry);
  }

  /** Every entry that could match the element, each once. */
  candidates(element: ElementNode): readonly RuleEntry[] {
    const found: RuleEntry[] = [];
    const take = (list: readonly RuleEntry[] | undefined) => {
      if (list) for (const entry of list) found.push(entry);
    };
    if (element.id !== undefined) take(this.byKey.get(`#${element.id}`));
    for (const name of new Set(element.classes)) take(this.byKey.get(`.${name}`));
    take(this.byKey.get(element.name.toLowerCase()));
    if (this.attributes) for (const name of element.attributes.keys()) take(this.byKey.get(`[${name.toLowerCase()}`));
    take(this.anywhere);
    return this.choices ? [...new Set(found)] : found;
  }
}

/** The rules of a page, as styles ask for them. */
export interface PageRules {
  readonly tree: PageTree;
  readonly sheets: readonly CascadeSheet[];
  readonly entries: readonly RuleEntry[];
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
  readonly entries: readonly RuleEntry[];
  /** Entries of the sheets that these add to others. */
  readonly own: readonly RuleEntry[];
  /** Place of the first of them among all rules. */
  readonly firstOrder: number;
  readonly buckets = new Buckets();
  readonly layered: boolean;
  readonly ruleSets: RuleSets = new Map<string, RuleSet>();
  private readonly extensions = new WeakMap<readonly CascadeSheet[], SheetRules>();
  private readonly byEnvironment = new Map<string, EnvironmentRules>();

  constructor(
    readonly sheets: readonly CascadeSheet[],
    private readonly quirks: boolean,
    base?: SheetRules,
  ) {
    const entries: RuleEntry[] = [];
    const start = base?.entries.length ?? 0;
    let order = base?.entries.at(-1)?.order ?? 0;
    this.firstOrder = order + 1;
    for (const { sheet, origin, conditions, layer, owner } of sheets.slice(base?.sheets.length ?? 0)) {
      for (const rule of sheet.rules) {
        order++;
        const all = rule.conditions.length ? [...conditions, ...rule.conditions] : conditions;
        const key = layerKey(origin, rule.layer.length ? [...layer, ...rule.layer] : layer);
        const standing = { origin, layer: key, conditions: all, owner };
        for (const selector of rule.selectors) {
          const entry = entryOf(quirks, rule, selector, start + entries.length, order, standing);
          entries.push(entry);
          this.buckets.add(entry, quirks);
        }
      }
    }
    this.own = entries;
    this.entries = base ? [...base.entries, ...entries] : entries;
    this.layered = (base?.layered ?? false) || entries.some((entry) => entry.layer !== '');
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

  get entries(): readonly RuleEntry[] {
    return this.rules.entries;
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
      if (!ancestorsMayHave(element, entry.needs)) continue;
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

/** Where a rule stands. */
type Standing = Pick<RuleEntry, 'origin' | 'layer' | 'conditions' | 'owner'>;

/** An entry; without more being said of a rule that stands in no layer, in a sheet of the author's without conditions. */
export function entryOf(
  quirks: boolean,
  rule: StyleRule,
  selector: CompiledSelector,
  index: number,
  order: number,
  standing: Standing = { origin: 'author', layer: '', conditions: rule.conditions, owner: undefined },
): RuleEntry {
  const { origin, layer, conditions, owner } = standing;
  const containers = conditions.filter((condition) => condition.kind === 'container');
  return {
    index,
    selector,
    rule,
    origin,
    layer,
    order,
    conditions: containers.length ? conditions.filter((condition) => condition.kind !== 'container') : conditions,
    containers,
    owner,
    needs: quirks ? [] : needsOf(selector),
    kept: [],
  };
}

function* scopeRoots(
  scope: Scope,
  element: ElementNode,
  context: MatchContext,
  owner: ElementNode | undefined,
): Generator<readonly [root: ElementNode, distance: number]> {
  let distance = 0;
  for (let root: ElementNode | undefined = element; root; root = root.parent, distance++) {
    const candidate: ElementNode = root;
    const outer = scope.parent ? [...scopeRoots(scope.parent, candidate, context, owner)] : undefined;
    if (outer && !outer.length) continue;
    const rootContext = outer ? { ...context, scope: outer[0]![0] } : context;
    if (
      !(scope.roots
        ? matchesAny(scope.roots, candidate, rootContext)
        : candidate.order === (owner ?? rootOf(candidate)).order)
    )
      continue;
    const inner = { ...context, scope: candidate };
    const path = [element, ...ancestors(element)];
    const within = path.slice(0, path.indexOf(candidate) + 1);
    if (within.some((node) => matchesAny(scope.limits, node, inner))) continue;
    yield [candidate, distance];
  }
}

const rootOf = (element: ElementNode): ElementNode => [...ancestors(element)].at(-1) ?? element;

/**
 * How near the scope's root is at which an entry matches; Infinity outside any scope.
 *
 * @returns undefined when the entry does not match
 */
export function matchEntry(entry: RuleEntry, element: ElementNode, context: MatchContext): number | undefined {
  const { scope } = entry.rule;
  if (!scope) return matches(entry.selector, element, context) ? Infinity : undefined;
  for (const [root, distance] of scopeRoots(scope, element, context, entry.owner)) {
    if (matches(entry.selector, element, { ...context, scope: root })) return distance;
  }
  return undefined;
}

/** States in which selectors are probed: none, all, and each alone. */
const PROBES: readonly StateBits[] = [0, ~0, ...Array.from({ length: ATOMS.length + 1 }, (_, i) => 1 << i)];
const contexts = [true, false].map((quirks) => PROBES.map((probe): MatchContext => ({ stateOf: () => probe, quirks })));

/** In which of a fixed number of state sets an entry matches, as bits. */
export function probe(entry: RuleEntry, element: ElementNode, quirks: boolean): number {
  const [rest, ...others] = contexts[quirks ? 0 : 1]!;
  if (!entry.selector.states) return matchEntry(entry, element, rest!) === undefined ? 0 : 1;
  let bits = matchEntry(entry, element, rest!) === undefined ? 0 : 1;
  others.forEach((context, i) => {
    if (matchEntry(entry, element, context) !== undefined) bits |= 1 << (i + 1);
  });
  return bits;
}

/** True when an entry matches an element at rest, in some state, or with every state on. */
export const mayMatch = (entry: RuleEntry, element: ElementNode, quirks: boolean): boolean =>
  probe(entry, element, quirks) !== 0;

const holds = (condition: Condition, environment: Environment): boolean =>
  condition.kind === 'media'
    ? evaluateMedia(condition.query, environment)
    : condition.kind === 'supports'
      ? condition.holds
      : true;

const NONE_KEPT = new Map<Declaration, Applied>();

/** What of an index counts in one environment: rules whose conditions hold, and the order of layers. */
export class EnvironmentRules {
  private readonly applies: Uint8Array;
  private readonly later = new WeakMap<RuleEntry, boolean>();
  private readonly ranks: ReadonlyMap<string, number>;
  private readonly others = new WeakMap<RuleEntry, Map<number, Map<Declaration, Applied>>>();

  constructor(
    index: PageRules,
    private readonly environment: Environment,
  ) {
    const answers = new Map<Condition, boolean>();
    const holdsHere = (condition: Condition): boolean => {
      let answer = answers.get(condition);
      if (answer === undefined) answers.set(condition, (answer = holds(condition, environment)));
      return answer;
    };
    this.applies = Uint8Array.from(index.entries, (entry) => (entry.conditions.every(holdsHere) ? 1 : 0));
    this.ranks = layerRanks(index.sheets, (conditions) => conditions.every(holdsHere));
  }

  isActive(entry: RuleEntry): boolean {
    const known = this.applies[entry.index];
    if (known !== undefined) return known === 1;
    // An entry of a page that was made from the one whose rules these are.
    let active = this.later.get(entry);
    if (active === undefined) {
      active = entry.conditions.every((condition) => holds(condition, this.environment));
      this.later.set(entry, active);
    }
    return active;
  }

  /** A declaration of a matched rule, with what decides whether it wins; the same object each time it is asked for. */
  applied(declaration: Declaration, { entry, proximity }: MatchedEntry): Applied {
    const plain = entry.layer === '' && proximity === Infinity;
    const kinds = plain ? NONE_KEPT : this.keptFor(entry, proximity);
    const kept = plain ? entry.kept[declaration.index!] : kinds.get(declaration);
    if (kept) return kept;
    const { rule, selector, origin, order } = entry;
    const applied: Applied = {
      declaration,
      origin,
      inline: false,
      hint: false,
      layer: this.rankOf(entry),
      specificity: selector.specificity,
      proximity,
      order,
      rule,
      selector,
    };
    if (plain) entry.kept[declaration.index!] = applied;
    else kinds.set(declaration, applied);
    return applied;
  }

  /** Declarations of layered and scoped rules, whose rank depends on the environment and on the element. */
  private keptFor(entry: RuleEntry, proximity: number): Map<Declaration, Applied> {
    let byProximity = this.others.get(entry);
    if (!byProximity) this.others.set(entry, (byProximity = new Map()));
    let kept = byProximity.get(proximity);
    if (!kept) byProximity.set(proximity, (kept = new Map()));
    return kept;
  }

  /** Matched rules from the weakest to the strongest, as their normal or their important declarations go. */
  sort(matched: readonly MatchedEntry[], important: boolean): readonly MatchedEntry[] {
    if (matched.length < 2) return matched;
    return [...matched].sort((a, b) => {
      const [left, right] = [a.entry, b.entry];
      if (left.origin !== right.origin) return (left.origin === 'browser') === important ? 1 : -1;
      if (left.layer !== right.layer) {
        const byLayer = this.rankOf(left) - this.rankOf(right);
        if (byLayer) return important ? -byLayer : byLayer;
      }
      return (
        compareSpecificity(left.selector.specificity, right.selector.specificity) ||
        (a.proximity === b.proximity ? 0 : b.proximity - a.proximity) ||
        left.order - right.order
      );
    });
  }

  /** Rank of an entry's layer, higher is later; unlayered rules rank highest. */
  rankOf(entry: RuleEntry): number {
    return entry.layer === '' ? Infinity : (this.ranks.get(entry.layer) ?? Infinity);
  }
}

interface LayerNode {
  readonly children: Map<string, LayerNode>;
}

/** Orders layers by first appearance; what stands directly in a layer ranks above its nested layers (Cascade 5, 6.4). */
function layerRanks(
  sheets: readonly CascadeSheet[],
  hold: (conditions: readonly Condition[]) => boolean,
): Map<string, number> {
  const ranks = new Map<string, number>();
  for (const origin of ['browser', 'author'] as const) {
    const root: LayerNode = { children: new Map() };
    const enter = (path: readonly string[]) => {
      let node = root;
      for (const name of path) {
        let child = node.children.get(name);
        if (!child) node.children.set(name, (child = { children: new Map() }));
        node = child;
      }
    };
    for (const { sheet, origin: own, layer, conditions } of sheets) {
      if (own !== origin || !hold(conditions)) continue;
      if (layer.length) enter(layer);
      for (const entry of sheet.layers as readonly LayerEntry[]) {
        if (hold(entry.conditions)) enter([...layer, ...entry.path]);
      }
    }
    let next = 0;
    const number = (node: LayerNode, path: readonly string[]) => {
      for (const [name, child] of node.children) number(child, [...path, name]);
      if (path.length) ranks.set(layerKey(origin, path), next++);
    };
    number(root, []);
  }
  return ranks;
}

/** One entry for each rule: of several selectors that match, the weightiest, and of those the nearest. */
export interface MatchedEntry {
  readonly entry: RuleEntry;
  readonly proximity: number;
}

export function strongestOfEachRule(matched: readonly MatchedEntry[]): MatchedEntry[] {
  const best = new Map<RuleEntry['rule'], MatchedEntry>();
  for (const item of matched) {
    const known = best.get(item.entry.rule);
    const difference = known
      ? compareSpecificity(item.entry.selector.specificity, known.entry.selector.specificity)
      : 1;
    if (!known || difference > 0 || (difference === 0 && item.proximity < known.proximity)) {
      best.set(item.entry.rule, item);
    }
  }
  return [...best.values()];
}
