import { componentKey, type ComponentEffect, type LedgerCheck } from '@retoque/core';
import { countChecks, mergeChecks } from './merge';

/** What other looks do to one component, on all its pages and at all widths: each check once, as it fares worst. */
export interface MergedEffect {
  readonly key: string;
  readonly name: string;
  readonly broken: readonly LedgerCheck[];
  readonly mended: number;
}

const worstFirst = (a: LedgerCheck, b: LedgerCheck): number => (a.measured ?? 0) - (b.measured ?? 0);
const keyOf = ({ part, column, demand }: LedgerCheck): string => `${part} ${column} ${demand}`;

export function mergeEffects(effects: readonly ComponentEffect[]): MergedEffect[] {
  const byComponent = new Map<string, { name: string; broken: LedgerCheck[]; mended: LedgerCheck[] }>();
  for (const { place, name, broken, mended } of effects) {
    const key = componentKey(place);
    const own = byComponent.get(key) ?? { name, broken: [], mended: [] };
    own.broken.push(...broken);
    own.mended.push(...mended);
    byComponent.set(key, own);
  }
  const merged = [...byComponent].map(([key, { name, broken, mended }]): MergedEffect => {
    const worst = new Map<string, LedgerCheck>();
    for (const { check } of mergeChecks(broken.sort(worstFirst)))
      if (!worst.has(keyOf(check))) worst.set(keyOf(check), check);
    // What fails somewhere is not called mended.
    return {
      key,
      name,
      broken: [...worst.values()],
      mended: countChecks(mended.filter((check) => !worst.has(keyOf(check)))),
    };
  });
  // What fails is seen first.
  return merged.sort((a, b) => b.broken.length - a.broken.length);
}
