import { describe, expect, test } from '@jest/globals';
import { stage } from '../testing/stage.js';
import { countdown } from './countdown.js';

const box = (unit: string) => `<span data-count="${unit}"><b>7</b> <small>${unit}</small></span>`;
const HTML = `<div role="timer"><h3>Next boat</h3>${['days', 'hours', 'minutes', 'seconds'].map(box).join('')}<p data-end hidden>Left</p></div>`;
const START = Date.UTC(2027, 4, 1, 6);
/** The last seconds before it. */
const LATE = { at: Date.UTC(2027, 4, 2, 8) - 3000 };

const counted = (host: Element) =>
  [...host.querySelectorAll<HTMLElement>('[data-count]')]
    .filter((own) => !own.hidden)
    .map((own) => `${own.firstElementChild!.textContent} ${own.lastElementChild!.textContent}`)
    .join(', ');

describe('a countdown', () => {
  const begin = (values: Record<string, string>, more: Parameters<typeof stage>[1] = {}) => {
    const on = stage(HTML, { at: START, ...more });
    on.set({ until: '"2027-05-02 09:00"', zone: '"Europe/Lisbon"', ...values });
    const before = on.host.innerHTML;
    return { ...on, before, running: countdown(on.host, on.around) };
  };

  test('counts to a moment in its zone, second by second', () => {
    const { host, go } = begin({});
    expect(counted(host)).toBe('01 day, 02 hours, 00 minutes, 00 seconds');
    go(1000);
    expect(counted(host)).toBe('01 day, 01 hour, 59 minutes, 59 seconds');
    go(60_000);
    expect(counted(host)).toBe('01 day, 01 hour, 58 minutes, 59 seconds');
  });

  test('over a change to summer time a day has 23 hours', () => {
    const { host } = begin(
      { until: '"2027-03-28 12:00"', units: 'hours' },
      { at: Date.UTC(2027, 2, 27, 12) /* noon in Lisbon, the day before */ },
    );
    expect(counted(host)).toBe('23 hours');
  });

  test('units that are not shown are counted in the next smaller one', () => {
    const { host } = begin({ units: 'hours minutes', zeros: 'off' });
    expect(counted(host)).toBe('26 hours, 0 minutes');
  });

  // Unit names of the CLDR, as the runtime has them.
  test('says its units in the language of the page, singular and plural', () => {
    expect(counted(begin({ zeros: 'off' }, { lang: 'de' }).host)).toBe('1 Tag, 2 Stunden, 0 Minuten, 0 Sekunden');
    const arabic = counted(begin({ zeros: 'off' }, { lang: 'ar-EG' }).host);
    expect(arabic).toContain('١');
    expect(arabic).toContain('يوم');
  });

  test('at its end it stays at zero, says other words, or goes', () => {
    const stays = begin({}, LATE);
    stays.go(3000);
    expect(counted(stays.host)).toBe('00 days, 00 hours, 00 minutes, 00 seconds');
    expect(stays.host.hasAttribute('data-over')).toBe(true);
    expect(stays.waiting()).toBe(0);
    const words = begin({ 'at-end': 'say-words' }, LATE);
    words.go(3000);
    expect(counted(words.host)).toBe('');
    expect(words.host.querySelector<HTMLElement>('[data-end]')!.hidden).toBe(false);
    const hides = begin({ 'at-end': 'hide' }, LATE);
    expect(hides.host.hidden).toBe(false);
    hides.go(3000);
    expect(hides.host.hidden).toBe(true);
  });

  test('counts from each visitor’s first visit, and goes on where it was', () => {
    const first = begin({ count: 'from-first-visit', lasts: '2h' });
    expect(counted(first.host)).toBe('00 days, 02 hours, 00 minutes, 00 seconds');
    first.go(60_000);
    first.running.stop();
    countdown(first.host, first.around);
    expect(counted(first.host)).toBe('00 days, 01 hour, 59 minutes, 00 seconds');
  });

  test('what is no date leaves the page as it says', () => {
    for (const until of ['"2027-02-30"', '"soon"', '']) {
      const { host, waiting } = begin({ until });
      expect(counted(host)).toBe('7 days, 7 hours, 7 minutes, 7 seconds');
      expect(waiting()).toBe(0);
    }
  });

  test('stopped, it leaves the markup as it was', () => {
    const { host, running, before, go, waiting } = begin({ 'at-end': 'say-words' }, LATE);
    go(3000);
    running.stop();
    expect(host.innerHTML.replaceAll(' style=""', '')).toBe(before);
    expect(waiting()).toBe(0);
  });
});
