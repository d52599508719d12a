import { describe, expect, it } from '@jest/globals';
import { EMPTY_LOOK, type Exception, type Setting } from './model.js';
import { saidBesides } from './said-besides.js';

const setting = (value: string): Setting => ({ part: 'button', property: 'color', value, when: { states: [] } });
const exception: Exception = { id: 'a', name: 'A', part: 'button', members: ['.a'] };

describe('what a look says besides another', () => {
  it('is what is otherwise or new there, and not what is said again in another object', () => {
    const before = { ...EMPTY_LOOK, settings: [setting('red')], exceptions: [exception] };
    expect(saidBesides(before, { ...before, settings: [setting('red')] })).toEqual({ settings: [], exceptions: [] });
    const other = { ...exception, id: 'b' };
    const look = { ...before, settings: [setting('blue')], exceptions: [exception, other] };
    expect(saidBesides(before, look)).toEqual({ settings: [setting('blue')], exceptions: [other] });
  });
});
