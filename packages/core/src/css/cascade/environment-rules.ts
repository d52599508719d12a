import type { Environment } from '../conditions/environment.js';
import { evaluateMedia } from '../conditions/media.js';
import { compareSpecificity } from '../selector/specificity.js';
import type { Condition } from '../sheet/sheet.js';
import type { Declaration } from '../sheet/declared.js';
import type { Applied } from './applied.js';
import { layerRanks } from './layer-ranks.js';
import type { CascadeSheet, MatchedEntry, RuleEntry } from './rule-entry.js';

const holds = (condition: Condition, environment: Environment): boolean =>
  condition.kind === 'media'
    ? evaluateMedia(condition.query, environment)
    : condition.kind === 'supports'
      ? condition.holds
      : true;

const NONE_KEPT = new Map<Declaration, Applied>();

/** What of an index counts in one environment: rules whose conditions hold, and the order of layers. */
export class EnvironmentRules {
  /** Looks come and go with each edit, and their conditions with them. */
  private readonly answers = new WeakMap<Condition, boolean>();
  private readonly ranks: ReadonlyMap<string, number>;
  private readonly others = new WeakMap<RuleEntry, Map<number, Map<Declaration, Applied>>>();

  constructor(
    index: { readonly sheets: readonly CascadeSheet[] },
    private readonly environment: Environment,
  ) {
    this.ranks = layerRanks(index.sheets, (conditions) => conditions.every((condition) => this.holds(condition)));
  }

  isActive(entry: RuleEntry): boolean {
    return entry.conditions.every((condition) => this.holds(condition));
  }

  private holds(condition: Condition): boolean {
    let answer = this.answers.get(condition);
    if (answer === undefined) this.answers.set(condition, (answer = holds(condition, this.environment)));
    return answer;
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
