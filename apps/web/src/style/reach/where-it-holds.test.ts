import { describe, expect, it } from '@jest/globals';
import { changeLook, EMPTY_LOOK, settingKey, statesOf, type Setting } from '@retoque/core';
import fc from 'fast-check';
import { isForEveryPage, reachElsewhere } from './reach-words';
import { onPageAlone } from './where-it-holds';

const setting = (value: string, page?: string, state?: 'hover'): Setting => ({
  part: 'button',
  property: 'color',
  value,
  when: { states: state ? statesOf('button', [state]) : [], ...(page ? { page } : {}) },
});

const anySetting = fc
  .record({
    value: fc.constantFrom('red', 'blue'),
    page: fc.constantFrom(undefined, 'home', 'boats'),
    state: fc.constantFrom(undefined, 'hover' as const),
  })
  .map(({ value, page, state }) => setting(value, page, state));

describe('a look on one page alone', () => {
  it('says the same there, and nothing on pages that it did not name', () => {
    fc.assert(
      fc.property(fc.array(anySetting, { maxLength: 6 }), (settings) => {
        const look = changeLook(EMPTY_LOOK, settings);
        const alone = onPageAlone(look, 'home');
        expect(isForEveryPage(alone)).toBe(false);
        // Of one state what is said for the page itself came first before, and does now.
        for (const state of [undefined, 'hover' as const]) {
          const said = (own: typeof look, page: string) =>
            own.settings.find((item) => settingKey(item) === settingKey(setting('', page, state)))?.value;
          const before =
            said(look, 'home') ??
            look.settings.find((item) => settingKey(item) === settingKey(setting('', undefined, state)))?.value;
          expect(said(alone, 'home')).toBe(before);
          expect(said(alone, 'boats')).toBe(said(look, 'boats'));
        }
      }),
    );
  });

  it('keeps switched off what was', () => {
    const look = { ...changeLook(EMPTY_LOOK, [setting('red')]), muted: [settingKey(setting('red'))] };
    expect(onPageAlone(look, 'home').muted).toEqual([settingKey(setting('red', 'home'))]);
  });
});

describe('how far a look reaches', () => {
  const page = (pageId: string, elements: number) => ({
    ...{ version: pageId, pageId, name: pageId, elements, parts: [], isUnlike: false },
  });

  it('is told in elements and pages, and not at all where it ends on the page in hand', () => {
    expect(reachElsewhere([page('home', 3)], 'home')).toBe('');
    expect(reachElsewhere([page('home', 3), page('boats', 1)], 'home')).toBe('1 more on 1 other page');
    expect(reachElsewhere([page('home', 3), page('boats', 1), page('fares', 4)], 'home')).toBe(
      '5 more on 2 other pages',
    );
  });
});
