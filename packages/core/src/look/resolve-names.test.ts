import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { changeLook, EMPTY_LOOK, settingKey, type Look } from './model.js';
import { resolveNames, withSwatches } from './resolve-names.js';

const swatches = new Map([
  ['sea', '#0b5563'],
  ['foam', 'rgb(240 250 250 / 80%)'],
  ['deep', 'swatch(sea)'],
  ['named', 'var(--named, #fff)'],
  ['round', 'swatch(trip)'],
  ['trip', 'swatch(round)'],
]);

describe('swatches in values', () => {
  it.each([
    ['swatch(sea)', '#0b5563'],
    ['swatch(deep)', '#0b5563'],
    ['linear-gradient(swatch(sea), swatch(foam) 40%)', 'linear-gradient(#0b5563, rgb(240 250 250 / 80%) 40%)'],
    ['0 1px 2px swatch(sea)', '0 1px 2px #0b5563'],
    ['red', 'red'],
    ['swatch( sea / 40% )', '#0b556366'],
    ['swatch(sea / .4)', '#0b556366'],
    ['swatch(foam / 50%)', '#f0fafa66'],
    ['swatch(named / 50%)', 'color-mix(in srgb, var(--named, #fff) 50%, transparent)'],
    ['"swatch(sea)" swatch(sea)', '"swatch(sea)" #0b5563'],
    ['url(swatch.png?a) swatch(sea)', 'url(swatch.png?a) #0b5563'],
  ])('%s is %s', (value, wanted) => {
    expect(withSwatches(value, swatches)).toBe(wanted);
  });

  it('that are gone, or name themselves, leave nothing', () => {
    expect(withSwatches('swatch(gone)', swatches)).toBeUndefined();
    expect(withSwatches('swatch(round)', swatches)).toBeUndefined();
    expect(withSwatches('linear-gradient(red, swatch(gone))', swatches)).toBeUndefined();
  });

  it('never throw, whatever is written', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 30 }), (text) => {
        expect(() => withSwatches(`swatch(${text}) ${text}`, swatches)).not.toThrow();
      }),
    );
  });
});

const set = (property: string, value: string) => ({ part: 'button', property, when: { states: [] }, value });

describe('a look that follows a finish', () => {
  const finish: Look = changeLook(EMPTY_LOOK, [set('color', 'swatch(sea)'), set('opacity', '.9')]);
  const named = { swatches, finishes: new Map([['f', finish]]) };

  it('has its settings under its own', () => {
    const own: Look = { ...changeLook(EMPTY_LOOK, [set('opacity', '1')]), finish: 'f' };
    const { look, missing } = resolveNames(own, named);
    expect(missing).toEqual([]);
    expect(Object.fromEntries(look.settings.map(({ property, value }) => [property, value]))).toEqual({
      color: '#0b5563',
      opacity: '1',
    });
  });

  it('says what it names that is not there, and keeps the rest', () => {
    const own: Look = {
      ...changeLook(EMPTY_LOOK, [set('color', 'swatch(gone)'), set('opacity', '1')]),
      finish: 'lost',
    };
    const { look, missing } = resolveNames(own, named);
    expect(missing).toEqual(['lost', 'swatch(gone)']);
    expect(look.settings.map(({ property }) => property)).toEqual(['opacity']);
  });

  it('that names nothing is the same look', () => {
    const own = changeLook(EMPTY_LOOK, [set('color', 'red')]);
    expect(resolveNames(own, { swatches: new Map(), finishes: new Map() }).look).toBe(own);
    expect(resolveNames(own, named).look.settings.map(settingKey)).toEqual(own.settings.map(settingKey));
  });

  it('is not led round in a circle', () => {
    const finishes = new Map([
      ['a', { ...finish, finish: 'b' }],
      ['b', { ...EMPTY_LOOK, finish: 'a' }],
    ]);
    expect(resolveNames({ ...EMPTY_LOOK, finish: 'a' }, { swatches, finishes }).look.settings).toHaveLength(2);
  });
});
