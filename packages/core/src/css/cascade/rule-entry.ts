import { ancestors, type ElementNode } from '../../tree/tree.js';
import { matches, matchesAny } from '../selector/match.js';
import { compareSpecificity } from '../selector/specificity.js';
import { ATOMS, type StateBits } from '../selector/states.js';
import type { CompiledSelector, MatchContext } from '../selector/types.js';
import type { Condition, ContainerCondition, Origin, ParsedSheet, Scope, StyleRule } from '../sheet/sheet.js';
import { needsOf } from './ancestor-filter.js';
import type { Applied } from './applied.js';

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

/** An entry that matches an element. */
export interface MatchedEntry {
  readonly entry: RuleEntry;
  readonly proximity: number;
}

/** Where a rule stands. */
export type Standing = Pick<RuleEntry, 'origin' | 'layer' | 'conditions' | 'owner'>;

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

/** One entry for each rule: of several selectors that match, the weightiest, and of those the nearest. */
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
