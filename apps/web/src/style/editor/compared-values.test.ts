import { describe, expect, it } from '@jest/globals';
import { MOST_COMPARED, withoutValue, withValue } from './compared-values';
import type { Compared } from '../look/useCompared';

const address = { part: 'button', row: 'text', column: 'default' };

describe('values that are compared', () => {
  it('are each there once, in the order in which they came', () => {
    const two = withValue(withValue({ address, texts: [] }, '#111'), '#222');
    expect(withValue(two, '#111').texts).toEqual(['#111', '#222']);
  });
  it('are no more than there is room for, and one that goes makes room', () => {
    const none: Compared = { address, texts: [] };
    const full = ['#111', '#222', '#333', '#444'].reduce(withValue, none);
    expect(full.texts).toHaveLength(MOST_COMPARED);
    expect(withValue(withoutValue(full, '#222'), '#444').texts).toEqual(['#111', '#333', '#444']);
  });
});
