/** What is worked out is kept under texts that say what it was worked out from: a look comes anew with each message. */

/** Beyond a number of entries the one that was put in first goes. */
export function forgetOldest<K>(map: Map<K, unknown>, most: number): void {
  if (map.size > most) map.delete(map.keys().next().value!);
}

/** Answers to one question that are kept, one for each look that was asked about lately. */
const MAX_VERSIONS = 12;

/** What was worked out before, while what it was worked out from has not changed. */
export class KeptAnswers {
  private readonly byName = new Map<string, Map<string, unknown>>();

  /** @param asked all that the answer depends on */
  unlessKept<T>(name: string, asked: readonly unknown[] | string, make: () => T): T {
    const key = typeof asked === 'string' ? asked : JSON.stringify(asked);
    let known = this.byName.get(name);
    if (!known) this.byName.set(name, (known = new Map()));
    if (known.has(key)) return known.get(key) as T;
    const value = make();
    known.set(key, value);
    forgetOldest(known, MAX_VERSIONS);
    return value;
  }
}
