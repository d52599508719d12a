import { ancestors, type ElementNode, type PageTree } from '../../tree/tree.js';
import { contextOf, type ForcedStates } from '../selector/forced.js';
import { answerContainer } from './container.js';
import type { KnownMeasures } from './known-measures.js';
import type { RevisedRules } from './revised-rules.js';
import { type PageRules } from './rules.js';
import { type EnvironmentRules } from './environment-rules.js';
import { matchEntry, type MatchedEntry, type RuleEntry } from './rule-entry.js';
import type { ContainerSize, StyleView } from './style-view.js';

/** Entries that may match an element: those that match in every state, and those that some state has a say in. */
export interface ElementEntries {
  readonly fixed: readonly RuleEntry[];
  readonly stateful: readonly RuleEntry[];
}

/** What rules are matched against. */
interface Matched {
  readonly tree: PageTree;
  readonly index: PageRules;
  readonly rules: EnvironmentRules;
  readonly known: KnownMeasures;
}

/**
 * Which rules of a page match its elements in one environment. A revised page asks the one that it was made from for
 * all rules that both have.
 */
export class RuleMatching {
  private readonly active = new Map<ElementNode, ElementEntries>();
  private readonly matched = new WeakMap<ForcedStates, Map<string, readonly MatchedEntry[]>>();
  private readonly unknown = new Set<string>();

  /**
   * @param base the matching of the page that this one extends
   * @param revision what this one changes of it, where it shares its rules
   */
  constructor(
    private readonly on: Matched,
    private readonly base: RuleMatching | undefined,
    private readonly revision: RevisedRules | undefined,
  ) {}

  /** Container queries met so far whose container's size is not known; their rules are left out. */
  get unknownConditions(): ReadonlySet<string> {
    return this.unknown;
  }

  /** Entries of this environment that may match an element. */
  activeOf(element: ElementNode): ElementEntries {
    if (this.base && !this.on.index.differsFor(element)) return this.base.activeOf(element);
    let found = this.active.get(element);
    if (!found) {
      const { fixed, stateful } = this.on.index.matchesOf(element);
      const isActive = (entry: RuleEntry) => this.on.rules.isActive(entry);
      this.active.set(element, (found = { fixed: fixed.filter(isActive), stateful: stateful.filter(isActive) }));
    }
    return found;
  }

  /** Rules that match an element, or one of its pseudo-elements, in forced states. */
  matchedFor(
    element: ElementNode,
    pseudo: string | undefined,
    forced: ForcedStates,
    inside: StyleView | undefined,
  ): readonly MatchedEntry[] {
    if (!this.revision) return this.matchedOf(element, pseudo, forced, inside);
    // Most of the rules are those of the page that this one was made from, and match as they did there.
    const before = this.base!.matchedOf(element, pseudo, forced, inside);
    const matched = before.filter(({ entry }) => this.revision!.keeps(entry));
    for (const entry of this.revision.addedFor(element)) {
      if (this.on.rules.isActive(entry)) this.take(matched, entry, false, element, pseudo, forced, inside);
    }
    return matched;
  }

  /** The same, kept where nothing but the forced states has a say. */
  private matchedOf(
    element: ElementNode,
    pseudo: string | undefined,
    forced: ForcedStates,
    inside: StyleView | undefined,
  ): readonly MatchedEntry[] {
    let known = this.matched.get(forced);
    if (!known) this.matched.set(forced, (known = new Map()));
    const key = pseudo === undefined ? `${element.order}` : `${element.order} ${pseudo}`;
    const kept = known.get(key);
    if (kept) return kept;
    const matched = this.matchAfresh(element, pseudo, forced, inside);
    if (!this.asksContainers(element)) known.set(key, matched);
    return matched;
  }

  private asksContainers(element: ElementNode): boolean {
    const { fixed, stateful } = this.activeOf(element);
    return [fixed, stateful].some((list) => list.some(({ containers }) => containers.length > 0));
  }

  private matchAfresh(
    element: ElementNode,
    pseudo: string | undefined,
    forced: ForcedStates,
    inside: StyleView | undefined,
  ): MatchedEntry[] {
    const { fixed, stateful } = this.activeOf(element);
    const matched: MatchedEntry[] = [];
    for (const entry of fixed) this.take(matched, entry, true, element, pseudo, forced, inside);
    for (const entry of stateful) this.take(matched, entry, false, element, pseudo, forced, inside);
    return matched;
  }

  /** Adds an entry where it matches; `checked` when its selector is known to. */
  private take(
    matched: MatchedEntry[],
    entry: RuleEntry,
    checked: boolean,
    element: ElementNode,
    pseudo: string | undefined,
    forced: ForcedStates,
    inside: StyleView | undefined,
  ): void {
    const { selector } = entry;
    if (selector.pseudoElement !== pseudo) return;
    if (pseudo !== undefined) {
      const bits = forced.pseudo?.get(element) ?? forced.bits.get(element) ?? 0;
      if (!selector.pseudoTests.every((test) => test(bits))) return;
    }
    let proximity: number | undefined = Infinity;
    if (!checked || entry.rule.scope) {
      proximity = matchEntry(entry, element, contextOf(forced, this.on.tree.quirks));
    }
    if (proximity === undefined) return;
    if (entry.containers.length && !this.containersHold(entry, element, pseudo, inside)) return;
    matched.push({ entry, proximity });
  }

  private containersHold(
    entry: RuleEntry,
    element: ElementNode,
    pseudo: string | undefined,
    inside: StyleView | undefined,
  ): boolean {
    const path = pseudo === undefined ? ancestors(element) : [element, ...ancestors(element)];
    const chain: { style: StyleView; known: ContainerSize | undefined }[] = [];
    let style = inside;
    for (const node of path) {
      if (!style) break;
      chain.push({ style, known: this.on.known.containers?.get(node) });
      style = style.parent;
    }
    return entry.containers.every((condition) => {
      const answer = answerContainer(condition, chain);
      if (answer === undefined) this.unknown.add(`@container ${condition.text}`);
      return answer === true;
    });
  }
}
