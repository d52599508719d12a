import { describe, expect, it } from '@jest/globals';
import type { Component, LookData } from '@retoque/contract';
import { darkChanges, withoutDark } from './dark-changes';

const setting = (value: string, more: object = {}, when: object = {}) => ({
  part: 'button',
  property: 'color',
  value,
  when: { states: [], ...when },
  ...more,
});
const dark = { scheme: 'dark' };
const look = {
  settings: [
    setting('#111'),
    setting('#eee', {}, dark),
    setting('#ddd', { exception: 'a' }, dark),
    setting('#333', { exception: 'b' }),
  ],
  exceptions: ['a', 'b', 'c'].map((id) => ({ id, name: id, part: 'button', members: [`.${id}`] })),
  muted: [],
} as unknown as LookData;
const component = (id: string, own: LookData) =>
  ({ id, currentTrialId: `t${id}`, trials: [{ id: `t${id}`, revision: 1, look: own }] }) as unknown as Component;

describe('what looks say for dark screens', () => {
  it('is counted, component by component', () => {
    const plain = { ...look, settings: [setting('#111')] } as unknown as LookData;
    const { settings, changed } = darkChanges([component('1', look), component('2', plain)]);
    expect(settings).toBe(2);
    expect(changed.map(({ componentId }) => componentId)).toEqual(['1']);
  });

  it('is taken off with the exceptions that were made for it; all else stays', () => {
    const without = withoutDark(look);
    expect(without.settings.map(({ value }) => value)).toEqual(['#111', '#333']);
    expect(without.exceptions.map(({ id }) => id)).toEqual(['b', 'c']);
  });
});
