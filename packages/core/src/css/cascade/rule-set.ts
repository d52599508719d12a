import { compareApplied, type Applied } from './applied.js';
import { HORIZONTAL_FLOW, physicalName, type Flow } from '../property/logical.js';
import type { EnvironmentRules } from './environment-rules.js';
import type { MatchedEntry } from './rule-entry.js';
import type { Declaration } from '../sheet/declared.js';

const NONE: readonly Applied[] = [];
const REVERTS = new Set(['revert', 'revert-layer', 'revert-rule']);

/** A declaration and where it comes from: a matched rule, or the element's own attributes. */
type Ref = readonly [Declaration, MatchedEntry] | Applied;

/**
 * The rules that match an element in some state, with what its attributes add. Elements that are matched by the same
 * rules share one, and its cascade is worked out once for each property that is asked for.
 */
export class RuleSet {
  private readonly lists = new Map<string, readonly Applied[]>();
  private readonly winnerLists = new Map<Flow, Map<string, Ref>>();
  private plainWinners: Map<string, Ref> | undefined;
  /** Computed values that depend on nothing but the rules, by property; shared by all elements of this set. */
  readonly steady: (string | undefined)[] = [];

  constructor(
    readonly serial: number,
    private readonly matched: readonly MatchedEntry[],
    private readonly rules: EnvironmentRules,
    private readonly own: readonly Applied[],
  ) {}

  /** Declarations in the running for a property, weakest first. */
  running(property: string, flow: Flow): readonly Applied[] {
    const key = keyOf(property, flow);
    let list = this.lists.get(key);
    if (!list) this.lists.set(key, (list = this.gather(property, flow)));
    return list;
  }

  private gather(property: string, flow: Flow): readonly Applied[] {
    let found: Applied[] | undefined;
    for (const matched of this.matched) {
      const declarations = matched.entry.rule.byPhysical(flow).get(property);
      if (declarations) for (const item of declarations) (found ??= []).push(this.rules.applied(item, matched));
    }
    for (const applied of this.own) {
      if (physicalName(applied.declaration.property, flow) === property) (found ??= []).push(applied);
    }
    if (!found) return NONE;
    return found.length > 1 ? found.sort(compareApplied) : found;
  }

  /** The declaration that wins, CSS-wide reverting followed; undefined when none applies. */
  winner(property: string, flow: Flow): Applied | undefined {
    const refs = this.refs(flow);
    const ref = refs.get(property);
    if (ref === undefined) return undefined;
    if ('declaration' in ref && !REVERTS.has(ref.declaration.value)) return ref;
    const strongest = 'declaration' in ref ? ref : this.rules.applied(ref[0], ref[1]);
    if (REVERTS.has(strongest.declaration.value)) {
      const left = afterReverting(this.running(property, flow));
      if (left) refs.set(property, left);
      else refs.delete(property);
      return left;
    }
    refs.set(property, strongest);
    return strongest;
  }

  /** The strongest declaration of each property, found in one pass over the rules from weakest to strongest. */
  private refs(flow: Flow): Map<string, Ref> {
    if (flow === HORIZONTAL_FLOW && this.plainWinners) return this.plainWinners;
    let refs = this.winnerLists.get(flow);
    if (refs) return refs;
    refs = new Map();
    const weakestFirst = this.rules.sort(this.matched, false);
    const put = (applied: Applied) => refs!.set(physicalName(applied.declaration.property, flow), applied);
    const inOrder = (list: readonly Applied[]) => (list.length > 1 ? [...list].sort(compareApplied) : list);
    const own = this.own.filter((applied) => !applied.declaration.important);
    let hints = own.length > 0;
    for (const matched of weakestFirst) {
      if (hints && matched.entry.origin === 'author') {
        for (const applied of inOrder(own.filter((item) => item.hint))) put(applied);
        hints = false;
      }
      for (const [name, declaration] of matched.entry.rule.winners(flow).normal) refs.set(name, [declaration, matched]);
    }
    if (hints) for (const applied of inOrder(own.filter((item) => item.hint))) put(applied);
    for (const applied of inOrder(own.filter((item) => !item.hint))) put(applied);
    const important = this.matched.filter(({ entry }) => entry.rule.winners(flow).important.length > 0);
    const insistent = this.own.filter((applied) => applied.declaration.important);
    let inline = insistent.length > 0;
    for (const matched of this.rules.sort(important, true)) {
      // The browser's own important rules stand above the style attribute's.
      if (inline && matched.entry.origin === 'browser') {
        for (const applied of inOrder(insistent)) put(applied);
        inline = false;
      }
      for (const [name, declaration] of matched.entry.rule.winners(flow).important) {
        refs.set(name, [declaration, matched]);
      }
    }
    if (inline) for (const applied of inOrder(insistent)) put(applied);
    if (flow === HORIZONTAL_FLOW) this.plainWinners = refs;
    else this.winnerLists.set(flow, refs);
    return refs;
  }

  /** Names of the properties that some declaration sets, logical ones as they are written. */
  get declared(): Set<string> {
    const names = new Set<string>();
    for (const { entry } of this.matched) for (const name of entry.rule.byProperty.keys()) names.add(name);
    for (const { declaration } of this.own) names.add(declaration.property);
    return names;
  }
}

const keyOf = (property: string, flow: Flow): string =>
  flow === HORIZONTAL_FLOW ? property : `${property}|${flow.vertical}|${flow.blockFromRight}|${flow.inlineFromEnd}`;

/** Cascade 5, section 7.3: what is left when the strongest declarations hand the value back. */
function afterReverting(running: readonly Applied[]): Applied | undefined {
  let list = running;
  for (;;) {
    const last = list.at(-1);
    if (!last) return undefined;
    switch (last.declaration.value) {
      case 'revert':
        list = last.origin === 'author' ? list.filter((other) => other.origin === 'browser') : NONE;
        break;
      case 'revert-layer':
        list = list
          .slice(0, -1)
          .filter(
            (other) => other.inline !== last.inline || other.layer !== last.layer || other.origin !== last.origin,
          );
        break;
      case 'revert-rule':
        list = list.slice(0, -1).filter((other) => other.rule !== last.rule || last.rule === undefined);
        break;
      default:
        return last;
    }
  }
}
