import { describe, expect, it } from '@jest/globals';
import type { LedgerCheck } from '@retoque/core';
import { ALL, countChecks, FIRST_FILTER, inOrder, matches, mergeChecks } from './merge';

const check = (more: Partial<LedgerCheck>): LedgerCheck => ({
  criterion: '1.4.3',
  verdict: 'short',
  measured: 3,
  needed: 4.5,
  unit: 'ratio',
  large: false,
  foreground: undefined,
  background: undefined,
  reason: undefined,
  basis: 'geometry',
  part: 'link',
  column: 'hover',
  demand: 'link-text',
  label: 'Link on background',
  measuredElements: 1,
  worstText: 'Board',
  viewport: 'wide',
  ...more,
});
const widths = (more: Partial<LedgerCheck> = {}) =>
  ['wide', 'medium', 'narrow'].map((viewport) => check({ ...more, viewport }));

describe('the list of checks', () => {
  it('has one line for what comes out the same at several widths, and more where figures differ', () => {
    const [line, ...more] = mergeChecks(widths());
    expect(line!.viewports).toEqual(['wide', 'medium', 'narrow']);
    expect(more).toEqual([]);
    const differing = mergeChecks([...widths().slice(1), check({ measured: 2 })]);
    expect(differing.map(({ viewports }) => viewports)).toEqual([['medium', 'narrow'], ['wide']]);
  });

  it('counts a check once, whatever its figures at the widths', () => {
    expect(countChecks([...widths().slice(1), check({ measured: 2 })])).toBe(1);
    expect(countChecks([...widths(), check({ column: 'default' }), check({ demand: 'link-icon' })])).toBe(3);
    expect(countChecks([])).toBe(0);
  });

  it('shows first what falls short of level AA, and advice and AAA only when they are asked for', () => {
    const advice = check({ criterion: 'distinct' });
    const strict = check({ criterion: '1.4.6' });
    expect([check({}), advice, strict].filter((one) => matches(one, FIRST_FILTER))).toEqual([check({})]);
    expect(matches(advice, { ...FIRST_FILTER, level: 'advice' })).toBe(true);
    expect(matches(strict, { ...FIRST_FILTER, level: 'enhanced' })).toBe(true);
    expect(matches(check({ verdict: 'passes' }), FIRST_FILTER)).toBe(false);
    expect(matches(check({ verdict: 'passes' }), FIRST_FILTER, 'passes')).toBe(true);
    expect(matches(check({ column: 'default' }), { ...FIRST_FILTER, column: 'hover' })).toBe(false);
    expect(matches(check({}), { ...FIRST_FILTER, viewport: ALL, criterion: '1.4.11' })).toBe(false);
  });

  it('puts what falls short first, and the worst of it at the top', () => {
    const lines = mergeChecks([
      check({ column: 'default', verdict: 'passes', measured: 9 }),
      check({ column: 'hover', measured: 4 }),
      check({ column: 'focus', measured: 1.2 }),
      check({ column: 'pressed', verdict: 'unsure', measured: undefined }),
    ]);
    const columns = inOrder(lines).map(({ check: { column } }) => column);
    expect(columns).toEqual(['focus', 'hover', 'pressed', 'default']);
  });
});
