import { describe, expect, it } from '@jest/globals';
import type { Component } from '@retoque/contract';
import { usesOf } from './swatch-uses';

const component = (id: string, worn: readonly string[], other: readonly string[] = []): Component => {
  const trial = (name: string, values: readonly string[]) => ({
    id: `${id} ${name}`,
    look: { settings: values.map((value) => ({ value })) },
  });
  return { id, currentTrialId: `${id} worn`, trials: [trial('worn', worn), trial('other', other)] } as never;
};

describe('the values that name a swatch', () => {
  it('are counted in the version that is worn, whatever opacity they have', () => {
    const both = [component('a', ['swatch(sea)', 'swatch(sea / 40%)', 'swatch(seaside)']), component('b', ['#fff'])];
    const { values, components } = usesOf(both, 'sea');
    expect(values).toBe(2);
    expect(components.map(({ id }) => id)).toEqual(['a']);
  });

  it('are not overlooked in a version that is put by', () => {
    expect(usesOf([component('a', [], ['1px swatch(sea)'])], 'sea').values).toBe(1);
    expect(usesOf([component('a', ['"swatch(sea)"'])], 'sea').values).toBe(0);
  });
});
