import type { ElementNode } from '../../tree/tree.js';
import type { Compound } from '../selector/types.js';
import type { RuleEntry } from './rule-entry.js';

/** Entries by what their last compound needs. */
export class RuleBuckets {
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
    const key = RuleBuckets.key(last, quirks);
    if (key !== undefined) return this.put(key, entry);
    const choices = last.anyOf?.map((compound) => RuleBuckets.key(compound, quirks));
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
