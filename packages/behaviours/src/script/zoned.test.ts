import { describe, expect, test } from '@jest/globals';
import { Temporal } from '@js-temporal/polyfill';
import fc from 'fast-check';
import { momentOf } from './zoned.js';

const ZONES = ['UTC', 'Europe/Lisbon', 'America/New_York', 'Asia/Kathmandu', 'Australia/Lord_Howe', 'Pacific/Apia'];
const two = (number: number) => String(number).padStart(2, '0');

/** `compatible` of the Temporal proposal: an hour that is left out leads behind it, one that comes twice is the first. */
const wanted = (text: string, zone: string) =>
  Temporal.PlainDateTime.from(text.replace(' ', 'T')).toZonedDateTime(zone, { disambiguation: 'compatible' })
    .epochMilliseconds;

describe('a date and time in a zone', () => {
  test('is the moment that the reference implementation of Temporal finds', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...ZONES),
        fc.date({ min: new Date('1995-01-01'), max: new Date('2060-01-01'), noInvalidDate: true }),
        (zone, date) => {
          const text = `${date.getUTCFullYear()}-${two(date.getUTCMonth() + 1)}-${two(date.getUTCDate())} ${two(date.getUTCHours())}:${two(date.getUTCMinutes())}`;
          expect([zone, text, momentOf(text, zone)]).toEqual([zone, text, wanted(text, zone)]);
        },
      ),
      { numRuns: 300 },
    );
  });

  // Rules of the time zone database, 2027: Lisbon at 1:00 UTC on 28 March and 31 October.
  test.each([
    ['2027-03-28 01:30', 'Europe/Lisbon'],
    ['2027-10-31 01:30', 'Europe/Lisbon'],
    ['2027-03-14 02:30', 'America/New_York'],
    ['2027-11-07 01:30', 'America/New_York'],
    ['2027-04-04 01:45', 'Australia/Lord_Howe'],
  ])('%s in %s, when clocks change, too', (text, zone) => {
    expect(momentOf(text, zone)).toBe(wanted(text, zone));
  });

  test('a date without a time is its midnight', () => {
    expect(momentOf('2027-05-01', 'Europe/Lisbon')).toBe(Date.UTC(2027, 3, 30, 23));
  });

  test.each(['', 'soon', '2027-02-30', '2027-13-01', '2027-05-01 24:00', '2027-05-01 09:61', '27-05-01'])(
    '“%s” is no moment',
    (text) => expect(momentOf(text, 'UTC')).toBeNaN(),
  );
  test('and neither is one in a zone that there is not', () => {
    expect(momentOf('2027-05-01', 'Atlantis/Harbour')).toBeNaN();
  });
});
