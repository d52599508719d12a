import { describe, expect, it } from '@jest/globals';
import { changeLook, EMPTY_LOOK, mergeLooks, settingKey, type Look, type Setting } from '@retoque/core';
import { requireKind } from '../look/cells';
import { differenceLines } from './differences';

const kind = requireKind('button');
const set = (property: string, value: string, more: Partial<Setting> = {}): Setting => ({
  part: 'button',
  property,
  value,
  when: { states: [{ part: 'button', state: 'hover' }] },
  ...more,
});
const linesOf = (mine: Look, theirs: Look, base = EMPTY_LOOK) => {
  const { both, onlyMine, onlyTheirs } = mergeLooks(base, mine, theirs, () => 'mine');
  return differenceLines([...both, ...onlyMine, ...onlyTheirs], kind, [mine, theirs, base]);
};

describe('what differs between two windows', () => {
  it('is told by part, row and state, with both values', () => {
    const lines = linesOf(
      changeLook(EMPTY_LOOK, [set('color', '#fff')]),
      changeLook(EMPTY_LOOK, [set('color', '#000')]),
    );
    expect(lines).toEqual([
      { keys: [`value ${settingKey(set('color', ''))}`], where: 'Button, text, hover', mine: '#fff', theirs: '#000' },
    ]);
  });

  it('has the longhands of a cell in one line, chosen together', () => {
    const sides = ['padding-top', 'padding-right', 'padding-bottom', 'padding-left'];
    const [line, ...more] = linesOf(
      changeLook(
        EMPTY_LOOK,
        sides.map((side) => set(side, '4px')),
      ),
      EMPTY_LOOK,
    );
    expect(more).toEqual([]);
    expect(line).toMatchObject({ where: 'Button, padding, hover', mine: '4px', theirs: 'not set' });
    expect(line!.keys).toHaveLength(4);
  });

  it('names the width, the scheme and the exception that a value is for', () => {
    const one = { id: 'x', name: 'Last', part: 'button', members: ['a'] };
    const when = { states: [], viewport: 'narrow' as const, scheme: 'dark' as const };
    const mine = { ...changeLook(EMPTY_LOOK, [set('color', '#fff', { when, exception: 'x' })]), exceptions: [one] };
    expect(linesOf(mine, EMPTY_LOOK).map(({ where }) => where)).toEqual([
      'Button, text, default, narrow screens, dark, only Last',
      'Exception “Last”',
    ]);
  });

  it('tells what is switched off, and another selector of a part', () => {
    const base = changeLook(EMPTY_LOOK, [set('color', '#fff')]);
    const off = { ...base, muted: [settingKey(base.settings[0]!)], parts: { button: '.go' } };
    expect(linesOf(off, base, base)).toEqual([
      expect.objectContaining({ where: 'Button, text, hover, on or off', mine: 'switched off', theirs: 'on' }),
      expect.objectContaining({ where: 'What “Button” is', mine: '.go', theirs: 'not set' }),
    ]);
  });
});
