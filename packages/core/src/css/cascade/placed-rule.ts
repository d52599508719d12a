import type { StyleRule } from '../sheet/sheet.js';
import { needsAround } from './ancestor-filter.js';
import { entryOf, type RuleEntry, type Standing } from './rule-entry.js';
import type { Compound } from '../selector/types.js';

/** The most telling name of a compound; undefined where it asks for none. */
export const keyOf = ({ tag, id, classes }: Pick<Compound, 'tag' | 'id' | 'classes'>): string | undefined => {
  if (id !== undefined) return `#${id}`;
  return classes.length ? `.${classes[0]!}` : tag;
};

/** One selector of a rule in its place, which becomes an entry when an element may match it. */
export interface Slot {
  /** What the element must be called; undefined where the entry itself has to be asked. */
  readonly key: string | undefined;
  /** What some ancestor must have; see `ancestorsMayHave`. */
  readonly needs: readonly number[];
  /** Undefined where browsers drop the rule. */
  entry(): RuleEntry | undefined;
}

/** A rule in its place among all rules of a page. Its selectors are compiled when something first asks for them. */
export class PlacedRule {
  readonly slots: readonly Slot[];
  private made: readonly RuleEntry[] | undefined;

  /** @param first index of its first entry */
  constructor(
    private readonly rule: StyleRule,
    private readonly quirks: boolean,
    private readonly first: number,
    private readonly order: number,
    private readonly standing: Standing,
  ) {
    // In quirks mode names match without regard to case, so they tell nothing by themselves.
    const plain = quirks ? undefined : rule.head.plain;
    this.slots = plain
      ? plain.map((selector, i) => ({
          key: keyOf(selector.last),
          needs: needsAround(selector.around),
          entry: () => this.entries[i],
        }))
      : this.entries.map((entry) => ({ key: undefined, needs: entry.needs, entry: () => entry }));
  }

  get entries(): readonly RuleEntry[] {
    return (this.made ??= this.rule.selectors.map((selector, i) =>
      entryOf(this.quirks, this.rule, selector, this.first + i, this.order, this.standing),
    ));
  }
}
