import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { mergeLooks } from './merge.js';
import { changeLook, EMPTY_LOOK, settingKey, type Look, type Setting } from './model.js';

const set = (part: string, property: string, value: string, exception?: string): Setting => ({
  part,
  property,
  value,
  when: { states: [] },
  ...(exception === undefined ? {} : { exception }),
});
const one = { id: 'x', name: 'One', part: 'item', members: ['li:first-child'] };
const mine = () => 'mine' as const;
const theirs = () => 'theirs' as const;

/** What a look says, whatever the order in which it says it. */
const said = (look: Look) => ({
  settings: look.settings.map((setting) => `${settingKey(setting)}=${setting.value}`).sort(),
  muted: [...look.muted].sort(),
  exceptions: look.exceptions.map((exception) => JSON.stringify(exception)).sort(),
  parts: look.parts ?? {},
  finish: look.finish,
});

const setting = fc.record({
  part: fc.constantFrom('item', 'bar'),
  property: fc.constantFrom('color', 'opacity', 'width'),
  value: fc.constantFrom('a', 'b', 'c'),
  when: fc.record({
    states: fc.constantFrom([], [{ part: 'item', state: 'hover' as const }]),
    viewport: fc.constantFrom(undefined, 'narrow' as const),
  }),
  exception: fc.constantFrom(undefined, 'x'),
});
const look: fc.Arbitrary<Look> = fc
  .record({ settings: fc.array(setting, { maxLength: 8 }), off: fc.nat(3), selector: fc.constantFrom('', '.a', '.b') })
  .map(({ settings, off, selector }) => {
    const made = changeLook(EMPTY_LOOK, settings as Setting[]);
    const isExcepted = made.settings.some(({ exception }) => exception !== undefined);
    return {
      ...made,
      muted: made.settings.slice(0, off).map(settingKey),
      exceptions: isExcepted ? [one] : [],
      ...(selector ? { parts: { item: selector } } : {}),
    };
  });

describe('merging two looks over what both were made from', () => {
  it('takes what only one changed, whatever is chosen', () => {
    fc.assert(
      fc.property(look, look, fc.constantFrom(mine, theirs), (base, changed, choose) => {
        expect(said(mergeLooks(base, changed, base, choose).look)).toEqual(said(changed));
        expect(said(mergeLooks(base, base, changed, choose).look)).toEqual(said(changed));
        expect(said(mergeLooks(base, changed, changed, choose).look)).toEqual(said(changed));
      }),
    );
  });

  it('loses nothing that one alone set, and asks of all that both changed to something else', () => {
    fc.assert(
      fc.property(look, look, look, (base, a, b) => {
        const values = (of: Look) => new Map(of.settings.map((item) => [settingKey(item), item.value]));
        const [was, own, other] = [values(base), values(a), values(b)];
        const merged = mergeLooks(base, a, b, theirs);
        const now = values(merged.look);
        const asked = new Set(merged.both.map(({ key }) => key));
        for (const key of new Set([...was.keys(), ...own.keys(), ...other.keys()])) {
          const [w, m, t] = [was.get(key), own.get(key), other.get(key)];
          if (m !== w && t === w) expect(now.get(key)).toBe(m);
          else expect(now.get(key)).toBe(t);
          expect(asked.has(`value ${key}`)).toBe(m !== t && m !== w && t !== w);
        }
      }),
    );
  });

  it('is the same from both sides', () => {
    fc.assert(
      fc.property(look, look, look, (base, a, b) => {
        expect(said(mergeLooks(base, a, b, mine).look)).toEqual(said(mergeLooks(base, b, a, theirs).look));
      }),
    );
  });

  it('keeps an exception that one removed while the other set something in it', () => {
    const base: Look = { ...EMPTY_LOOK, exceptions: [one] };
    const other = changeLook(base, [set('item', 'color', 'red', 'x')]);
    const merged = mergeLooks(base, EMPTY_LOOK, other, mine);
    expect(merged.look.exceptions).toEqual([one]);
    expect(merged.look.settings).toHaveLength(1);
  });

  it('drops what is switched off together with its value', () => {
    const base = changeLook(EMPTY_LOOK, [set('item', 'color', 'red')]);
    const off: Look = { ...base, muted: base.settings.map(settingKey) };
    expect(mergeLooks(base, EMPTY_LOOK, off, mine).look.muted).toEqual([]);
  });

  it('asks of all that differs where nobody knows what both were made from', () => {
    const a = changeLook(EMPTY_LOOK, [set('item', 'color', 'red'), set('bar', 'width', '1px')]);
    const b = changeLook(EMPTY_LOOK, [set('item', 'color', 'blue'), set('bar', 'width', '1px')]);
    expect(mergeLooks(undefined, a, b, mine).both.map(({ key }) => key)).toEqual(['value item||color||||']);
  });
});
