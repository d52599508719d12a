import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { stage } from '../testing/stage.js';
import { amount, lasting, setting, time } from './settings.js';

describe('settings', () => {
  test('are custom properties, with or without quotes', () => {
    const { host, set } = stage('<div></div>');
    set({ zone: '"Europe/Lisbon"', turn: 'by-hand' });
    expect(setting(host, 'zone', 'UTC')).toBe('Europe/Lisbon');
    expect(setting(host, 'turn', 'by-itself')).toBe('by-hand');
    expect(setting(host, 'nothing', 'usual')).toBe('usual');
  });

  test('numbers and times keep within their bounds, and nonsense is as if not set', () => {
    const { host, set } = stage('<div></div>');
    set({ a: '-4', b: 'fast', c: '0.1s', d: 'later', e: '1500ms' });
    expect(amount(host, 'a', 5)).toBe(0);
    expect(amount(host, 'b', 5)).toBe(5);
    expect(time(host, 'c', 6000, 2000)).toBe(2000);
    expect(time(host, 'd', 6000, 2000)).toBe(6000);
    expect(time(host, 'e', 6000)).toBe(1500);
  });

  test('a length of time is the sum of its parts', () => {
    fc.assert(
      fc.property(fc.nat(400), fc.nat(23), fc.nat(59), fc.nat(59), (d, h, m, s) => {
        const sum = (((d * 24 + h) * 60 + m) * 60 + s) * 1000;
        expect(lasting(`${d}d ${h}h ${m}min ${s}s`)).toBe(sum);
        expect(lasting(`${d}d${h}h${m}m${s}s`)).toBe(sum);
      }),
    );
    for (const none of ['', 'soon', '5', '3 days', 'h']) expect(lasting(none)).toBeNaN();
  });
});
