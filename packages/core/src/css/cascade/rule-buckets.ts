import type { ElementNode } from '../../tree/tree.js';
import type { Compound } from '../selector/types.js';
import { mayBeAround } from './ancestor-filter.js';
import { keyOf, type Slot } from './placed-rule.js';
import type { RuleEntry } from './rule-entry.js';

/** The most telling name of a compiled compound, or an attribute. */
function compiledKey(compound: Compound, quirks: boolean): string | undefined {
  // In quirks mode ids and classes match without regard to case, so they cannot be keys.
  const key = quirks ? compound.tag : keyOf(compound);
  return key ?? (compound.attribute === undefined ? undefined : `[${compound.attribute}`);
}

/** Slots of one key, by the first thing that ancestors must have. */
class Bucket {
  private readonly free: Slot[] = [];
  private readonly byNeed = new Map<number, Slot[]>();

  add(slot: Slot): void {
    const [need] = slot.needs;
    const list = need === undefined ? this.free : this.byNeed.get(need);
    if (!list) this.byNeed.set(need!, [slot]);
    else if (list.at(-1) !== slot) list.push(slot);
  }

  /** Adds all entries that an element with such ancestors may match. */
  take(isAround: (need: number) => boolean, found: RuleEntry[]): void {
    for (const slot of this.free) push(slot, found);
    for (const [need, slots] of this.byNeed) {
      if (!isAround(need)) continue;
      for (const slot of slots) if (slot.needs.every(isAround)) push(slot, found);
    }
  }
}

function push(slot: Slot, found: RuleEntry[]): void {
  const entry = slot.entry();
  if (entry) found.push(entry);
}

/** Rules by what an element must be called for their last compounds. */
export class RuleBuckets {
  private readonly byKey = new Map<string, Bucket>();
  private readonly anywhere = new Bucket();
  private choices = false;
  private attributes = false;

  constructor(private readonly quirks: boolean) {}

  private put(key: string, slot: Slot): void {
    if (key.startsWith('[')) this.attributes = true;
    let bucket = this.byKey.get(key);
    if (!bucket) this.byKey.set(key, (bucket = new Bucket()));
    bucket.add(slot);
  }

  add(slot: Slot): void {
    if (slot.key !== undefined) return this.put(slot.key, slot);
    const last = slot.entry()?.selector.compounds.at(-1);
    if (!last) return;
    const key = compiledKey(last, this.quirks);
    if (key !== undefined) return this.put(key, slot);
    const choices = last.anyOf?.map((compound) => compiledKey(compound, this.quirks));
    if (choices?.length && choices.every((choice) => choice !== undefined)) {
      this.choices ||= choices.length > 1;
      for (const choice of choices) this.put(choice!, slot);
    } else this.anywhere.add(slot);
  }

  /** Every entry that could match the element by its own names and those around it, each once. */
  candidates(element: ElementNode): readonly RuleEntry[] {
    const found: RuleEntry[] = [];
    const isAround = mayBeAround(element);
    const take = (key: string) => this.byKey.get(key)?.take(isAround, found);
    if (element.id !== undefined) take(`#${element.id}`);
    for (const name of new Set(element.classes)) take(`.${name}`);
    take(element.name.toLowerCase());
    if (this.attributes) for (const name of element.attributes.keys()) take(`[${name.toLowerCase()}`);
    this.anywhere.take(isAround, found);
    return this.choices ? [...new Set(found)] : found;
  }
}
