import { describe, expect, it } from '@jest/globals';
import type { ComponentEffect, LedgerCheck } from '@retoque/core';
import { mergeEffects } from './effects';

const check = (column: string, viewport: string, measured: number): LedgerCheck =>
  ({ part: 'button', column, demand: 'label', viewport, measured, verdict: 'short' }) as LedgerCheck;
const effect = (version: string, broken: LedgerCheck[], mended: LedgerCheck[] = []): ComponentEffect =>
  ({
    version,
    place: { kind: 'button', locator: { selector: '.go' } },
    name: 'Go',
    broken,
    mended,
  }) as unknown as ComponentEffect;

describe('what changes, over pages and widths', () => {
  it('is each check of a component once, as it fares worst', () => {
    const merged = mergeEffects([
      effect('one', [check('default', 'wide', 3), check('default', 'narrow', 2), check('hover', 'wide', 4)]),
      effect('two', [check('default', 'wide', 3)], [check('focus', 'wide', 5), check('focus', 'narrow', 5)]),
    ]);
    expect(merged).toHaveLength(1);
    expect(merged[0]!.broken.map(({ column, measured }) => [column, measured])).toEqual([
      ['default', 2],
      ['hover', 4],
    ]);
    expect(merged[0]!.mended).toBe(1);
  });

  it('calls nothing mended that fails on another page', () => {
    const [merged] = mergeEffects([
      effect('one', [], [check('hover', 'wide', 5)]),
      effect('two', [check('hover', 'wide', 3)]),
    ]);
    expect(merged).toMatchObject({ mended: 0 });
  });
});
