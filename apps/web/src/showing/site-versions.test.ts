import { describe, expect, it } from '@jest/globals';
import type { Component } from '@retoque/contract';
import { versionsOfSite } from './site-versions';

const look = (value: string) => ({
  settings: [{ part: 'button', property: 'color', value, when: { states: [] } }],
  exceptions: [],
  muted: [],
});
const component = (id: string, trials: Record<string, string>, current: string): Component =>
  ({
    id,
    pageId: 'p',
    kind: 'button',
    name: id,
    locator: { selector: `.${id}` },
    currentTrialId: `${id}${current}`,
    trials: Object.entries(trials).map(([name, value]) => ({
      id: `${id}${name}`,
      name,
      revision: 1,
      look: look(value),
    })),
  }) as unknown as Component;

const valuesOf = (components: readonly Component[]) =>
  versionsOfSite(components).map(({ name, looks }) => [name, ...looks.map((own) => own.look.settings[0]?.value)]);

describe('versions of a site', () => {
  it('wear in each component what has that name there, and what is worn where nothing has', () => {
    const components = [component('a', { A: 'red', B: 'blue' }, 'A'), component('b', { A: 'green' }, 'A')];
    expect(valuesOf(components)).toEqual([['As it is'], ['Version A', 'red', 'green'], ['Version B', 'blue', 'green']]);
  });

  it('are the site alone where nothing is kept', () => {
    expect(valuesOf([])).toEqual([['As it is']]);
  });
});
