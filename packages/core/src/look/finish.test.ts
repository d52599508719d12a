import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { asFinish, backToFinish, finishWithOwn, followFinish, leaveFinish } from './finish.js';
import { activeSettings, EMPTY_LOOK, settingKey, settingText, type Look, type Setting } from './model.js';
import { resolveNames } from './resolve-names.js';

const setting = fc.record({
  part: fc.constantFrom('button', 'icon'),
  property: fc.constantFrom('color', 'background-color'),
  value: fc.constantFrom('red', 'teal', 'gold'),
  when: fc.record({
    states: fc.constantFrom([], [{ part: 'button', state: 'hover' as const }]),
    page: fc.constantFrom(undefined, 'home'),
  }),
  exception: fc.constantFrom(undefined, 'x'),
});
const look = fc.array(setting, { maxLength: 8 }).map((settings): Look => {
  const own = settings.map(({ exception, when: { page, ...when }, ...rest }): Setting => ({
    ...rest,
    when: { ...when, ...(page ? { page } : {}) },
    ...(exception ? { exception } : {}),
  }));
  return {
    ...EMPTY_LOOK,
    settings: [...new Map(own.map((one) => [JSON.stringify({ ...one, value: '' }), one])).values()],
  };
});

/** What a look comes to with its finish. */
const worn = (own: Look, finish: Look): string[] =>
  resolveNames(own, { swatches: new Map(), finishes: new Map([['f', finish]]) })
    .look.settings.map(settingText)
    .sort();

describe('finishes', () => {
  it('hold what others can wear, and leave a look as it was', () => {
    fc.assert(
      fc.property(look, (own) => {
        const finish = asFinish(own);
        expect(finish.settings.every(({ exception, when }) => exception === undefined && when.page === undefined)).toBe(
          true,
        );
        const kept = followFinish(own, 'f', finish);
        expect(worn(kept, finish)).toEqual(own.settings.map(settingText).sort());
        expect(backToFinish(kept).settings).toEqual(kept.settings);
      }),
    );
  });

  it('are left without a change of what is worn', () => {
    fc.assert(
      fc.property(look, look, (own, other) => {
        const finish = asFinish(other);
        const following = { ...own, finish: 'f' };
        const left = leaveFinish(following, finish);
        expect(left.finish).toBeUndefined();
        expect(left.settings.map(settingText).sort()).toEqual(worn(following, finish));
      }),
    );
  });

  it('take what a look has besides, so that it shows the same with nothing of its own', () => {
    fc.assert(
      fc.property(look, look, (own, other) => {
        const finish = asFinish(other);
        const following = { ...own, finish: 'f' };
        const next = finishWithOwn(finish, following);
        expect(worn(backToFinish(following), next)).toEqual(worn(following, finish));
      }),
    );
  });

  it('show what they say on whatever follows them, though it had that switched off', () => {
    fc.assert(
      fc.property(look, look, fc.infiniteStream(fc.boolean()), (own, other, coins) => {
        const finish = asFinish(other);
        const muted = own.settings.map(settingKey).filter(() => coins.next().value);
        const kept = followFinish({ ...own, muted }, 'f', finish);
        const { look: shown } = resolveNames(kept, { swatches: new Map(), finishes: new Map([['f', finish]]) });
        expect(activeSettings(shown).map(settingText)).toEqual(
          expect.arrayContaining(finish.settings.map(settingText)),
        );
      }),
    );
  });

  it('a date and the pages of one component are taken over by no other, and its pace is', () => {
    const of = (property: string, value: string): Setting => ({
      part: 'ground',
      property,
      value,
      when: { states: [] },
    });
    const own: Look = {
      ...EMPTY_LOOK,
      settings: [
        of('--rq-until', '"2027-05-01"'),
        of('--rq-zone', '"Europe/Lisbon"'),
        of('--rq-pages', '"/"'),
        of('--rq-turn-pace', '4s'),
        of('color', 'red'),
      ],
    };
    expect(asFinish(own).settings.map(({ property }) => property)).toEqual(['--rq-turn-pace', 'color']);
    expect(backToFinish(own).settings.map(({ property }) => property)).toEqual([
      '--rq-until',
      '--rq-zone',
      '--rq-pages',
    ]);
  });
});
