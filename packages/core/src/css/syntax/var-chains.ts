/** Custom properties that refer on to others, one after the other. Chromium ends the tab at some thousands of them. */
export const MAX_CHAIN = 300;

const DECLARED = /(?<![\w-])(--[\w-]+)\s*:([^;{}]*)/g;
const REFERENCE = /var\(\s*(--[\w-]+)/gi;

interface Declared {
  readonly start: number;
  readonly end: number;
  readonly name: string;
  readonly references: readonly string[];
}

/** Whether there are enough references for a chain at all; most sheets have fewer. */
function hasMany(css: string): boolean {
  let count = 0;
  for (let at = css.indexOf('var('); at >= 0; at = css.indexOf('var(', at + 1)) if (++count >= MAX_CHAIN) return true;
  return false;
}

/** Declarations of custom properties that stand at the far end of too long a chain; offsets into the text. */
export function longChainSpans(css: string): readonly (readonly [start: number, end: number])[] {
  if (!hasMany(css)) return [];
  const declared: Declared[] = [...css.matchAll(DECLARED)].map((match) => ({
    start: match.index,
    end: match.index + match[0].length,
    name: match[1]!,
    references: [...match[2]!.matchAll(REFERENCE)].map((reference) => reference[1]!),
  }));
  const referring = new Map<string, string[]>();
  for (const { name, references } of declared) {
    const known = referring.get(name);
    if (known) known.push(...references);
    else referring.set(name, [...references]);
  }
  const lengths = chainLengths(referring);
  return declared.filter(({ name }) => (lengths.get(name) ?? 0) > MAX_CHAIN).map(({ start, end }) => [start, end]);
}

/** How many references lead on from each name at the most; one that leads back to itself ends the chain. */
function chainLengths(referring: ReadonlyMap<string, readonly string[]>): Map<string, number> {
  const lengths = new Map<string, number>();
  const open = new Set<string>();
  for (const first of referring.keys()) {
    const path = lengths.has(first) ? [] : [{ name: first, next: 0 }];
    if (path.length) open.add(first);
    for (let top = path.at(-1); top; top = path.at(-1)) {
      const references = referring.get(top.name) ?? [];
      const other = references[top.next++];
      if (other !== undefined) {
        if (lengths.has(other) || open.has(other)) continue;
        open.add(other);
        path.push({ name: other, next: 0 });
        continue;
      }
      let longest = 0;
      for (const reference of references) longest = Math.max(longest, 1 + (lengths.get(reference) ?? 0));
      lengths.set(top.name, longest);
      open.delete(top.name);
      path.pop();
    }
  }
  return lengths;
}
