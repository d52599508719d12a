import type { RuleRevision } from '../css/cascade/revised-rules.js';
import type { StyleRule } from '../css/sheet/sheet.js';
import type { LookRule } from './look-rules.js';

/** Rules of the parts of a look, in the order in which they stand. */
export type RulesByPart = ReadonlyMap<string, readonly LookRule[]>;

export interface LookChange {
  readonly revision: RuleRevision;
  /** Rules that were taken away or put in, part by part. */
  readonly rules: readonly LookRule[];
  /** The same, of several with one selector the last. */
  readonly bySelector: readonly LookRule[];
}

/** Where the rules of a part stand among those of all parts, and between which places more may be put. */
interface Range {
  readonly start: number;
  readonly after: number;
  readonly before: number;
}

const NO_RULES: readonly LookRule[] = [];
const sizeOf = (rules: readonly LookRule[]) => rules.reduce((sum, { parsed }) => sum + parsed.length, 0);

/**
 * How the rules of one look become those of another.
 *
 * @param parts names of all parts, in order
 */
export function lookChange(parts: readonly string[], before: RulesByPart, after: RulesByPart): LookChange {
  const removed = new Set<StyleRule>();
  const added: { rule: StyleRule; place: number }[] = [];
  const rules: LookRule[] = [];
  let start = 0;
  for (const [p, part] of parts.entries()) {
    const [old, now] = [before.get(part) ?? NO_RULES, after.get(part) ?? NO_RULES];
    const end = start + sizeOf(old);
    // Between the last rule of one part and the first of the next each part has places of its own.
    const range = { start, after: start - 1 + p / parts.length, before: end - 1 + (p + 0.5) / parts.length };
    start = end;
    if (old === now) continue;
    const { gone, put } = changeOfPart(old, now, range);
    for (const rule of gone) for (const parsed of rule.parsed) removed.add(parsed);
    for (const { rule, place } of put) {
      rule.parsed.forEach((parsed, i) => added.push({ rule: parsed, place: place + i * 1e-9 }));
    }
    rules.push(...gone, ...put.map(({ rule }) => rule));
  }
  const bySelector = new Map(rules.map((rule) => [rule.selectorId, rule]));
  const revision = { removed, added };
  return { revision, rules, bySelector: [...bySelector.values()] };
}

/** Rules that stay keep their places; new ones are put between them. */
function changeOfPart(old: readonly LookRule[], now: readonly LookRule[], { start, after, before }: Range) {
  const gone: LookRule[] = [];
  const put: { rule: LookRule; place: number }[] = [];
  let [from, at, place] = [after, 0, start];
  let waiting: LookRule[] = [];
  const settle = (to: number) => {
    waiting.forEach((rule, i) => put.push({ rule, place: from + ((to - from) * (i + 1)) / (waiting.length + 1) }));
    waiting = [];
  };
  for (const rule of now) {
    const found = old.indexOf(rule, at);
    if (found < 0) {
      waiting.push(rule);
      continue;
    }
    for (; at < found; at++) {
      gone.push(old[at]!);
      place += old[at]!.parsed.length;
    }
    settle(place);
    from = place + Math.max(0, rule.parsed.length - 1);
    place += rule.parsed.length;
    at++;
  }
  settle(before);
  gone.push(...old.slice(at));
  return { gone, put };
}
