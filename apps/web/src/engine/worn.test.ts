import { describe, expect, it } from '@jest/globals';
import type { Component } from '@retoque/contract';
import type { WornChange } from './protocol';
import { tellWorn, wornKey } from './worn';

const RED = { part: 'button', property: 'color', when: { states: [] }, value: 'red' };

const component = (id: string, revision: number, settings = [RED]): Component =>
  ({
    id,
    kind: 'button',
    name: id,
    locator: {},
    currentTrialId: `${id} A`,
    trials: [{ id: `${id} A`, revision, look: { settings, exceptions: [], muted: [] } }],
  }) as unknown as Component;

const named = { palette: { swatches: [], handedOverAs: 'literals' as const, revision: 0 }, finishes: [] };
const bounds = { medium: 1023, narrow: 599 };

describe('what a worker is told of looks', () => {
  it('is what has changed since, and nothing where nothing has', () => {
    const told: WornChange[] = [];
    const worker = { wear: (_site: string, change: WornChange) => Promise.resolve(void told.push(change)) };
    const tell = (...components: Component[]) =>
      tellWorn(worker as never, { siteId: 's', bounds, ...named, components });
    tell(component('a', 1), component('b', 1));
    expect(told.at(-1)!.looks.map(({ id }) => id)).toEqual(['a', 'b']);
    tell(component('a', 1), component('b', 1));
    expect(told).toHaveLength(1);
    tell(component('a', 1), component('b', 2));
    expect(told.at(-1)!.looks.map(({ id }) => id)).toEqual(['b']);
    tell(component('b', 2));
    expect(told.at(-1)).toMatchObject({ looks: [], order: ['b'] });
    tellWorn(worker as never, {
      siteId: 's',
      bounds: { ...bounds, narrow: 500 },
      ...named,
      components: [component('b', 2)],
    });
    expect(told.at(-1)).toMatchObject({ looks: [], bounds: { narrow: 500 } });
    expect(told).toHaveLength(4);
  });

  it('has a key that is another for each revision', () => {
    const key = (...components: Component[]) => wornKey({ bounds, ...named, components });
    expect(key(component('a', 1))).toBe(key(component('a', 1)));
    expect(key(component('a', 1))).not.toBe(key(component('a', 2)));
    expect(key(component('a', 1))).not.toBe(key());
    // One that was opened and not changed yet changes nothing.
    expect(key(component('a', 1), component('b', 0, []))).toBe(key(component('a', 1)));
  });
});
