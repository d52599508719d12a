import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { SETTING_ROWS } from '../component/behaviours/index.js';
import { rowNamed } from '../component/rows.js';
import { readCellText } from './read-value.js';

const read = (name: string, text: string) => {
  const result = readCellText(rowNamed(`--rq-${name}`)!, text);
  return result.ok ? result.text : result;
};

describe('a setting of a behaviour as it is typed', () => {
  test.each([
    ['turn', 'By hand', 'by-hand'],
    ['turn-pace', '4', '4s'],
    ['turn-pace', '2500ms', '2.5s'],
    ['run-speed', '80 px/s', '80px'],
    ['appear-scrolled', '40', '40%'],
    ['until', '2027-5-1 9:00', '"2027-05-01 09:00"'],
    ['until', '2027-05-01T09:00', '"2027-05-01 09:00"'],
    ['until', '2027-05-01', '"2027-05-01"'],
    ['zone', 'Europe/Lisbon', '"Europe/Lisbon"'],
    ['lasts', '2d 12h', '2d 12h'],
    ['units', 'seconds, days', 'days seconds'],
    ['pages', '/, /islands/*', '"/ /islands/…"'],
  ])('%s: %s is %s', (name, text, stored) => expect(read(name, text)).toBe(stored));

  test.each([
    ['turn', 'sideways', 'none of'],
    ['turn-pace', '0.5', 'at least'],
    ['turn-pace', '3px', 'is no pace'],
    ['run-speed', '-5', 'at least'],
    ['run-speed', '1e9', 'is no speed'],
    ['until', '2027-02-30', 'is no date'],
    ['until', '1900-02-29', 'is no date'],
    ['until', '2027-04-31', 'is no date'],
    ['until', 'next Monday', 'is no date'],
    ['zone', 'Atlantis/Harbour', 'is no time zone'],
    ['lasts', 'a while', 'no length of time'],
    ['units', 'days fortnights', 'fortnights'],
    ['pages', 'javascript:alert(1)', 'is no path'],
    ['pages', '/a"; } body { display: none', 'no quotes'],
  ])('%s: %s is refused in words', (name, text, words) =>
    expect(read(name, text)).toEqual({ ok: false, problem: expect.stringContaining(words) }),
  );

  test('what is taken is read as itself again, and can never end a declaration', () => {
    fc.assert(
      fc.property(fc.constantFrom(...SETTING_ROWS), fc.string({ maxLength: 60, unit: 'grapheme' }), (row, text) => {
        const first = readCellText(row, text);
        if (!first.ok) return;
        expect(first.text).not.toMatch(/[{};]|\/\*/);
        expect(readCellText(row, first.text)).toEqual(first);
      }),
      { numRuns: 500 },
    );
  });
});
