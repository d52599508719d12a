import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import fc from 'fast-check';
import { PreviewClock } from './preview-clock';

beforeEach(() => void jest.useFakeTimers());
afterEach(() => void jest.useRealTimers());

describe('the clock of the preview', () => {
  test('calls in its time, and what is called off never', () => {
    const clock = new PreviewClock();
    const told: string[] = [];
    clock.wait(() => told.push('a'), 1000);
    const off = clock.wait(() => told.push('b'), 1000);
    off();
    jest.advanceTimersByTime(999);
    expect(told).toEqual([]);
    jest.advanceTimersByTime(1);
    expect(told).toEqual(['a']);
  });

  test('moved on, it calls at once what is due by then, and the rest so much sooner', () => {
    const clock = new PreviewClock();
    const told: string[] = [];
    const before = clock.now();
    clock.wait(() => told.push('soon'), 5000);
    clock.wait(() => told.push('later'), 70_000);
    clock.move(60_000);
    expect(clock.now() - before).toBe(60_000);
    jest.advanceTimersByTime(0);
    expect(told).toEqual(['soon']);
    jest.advanceTimersByTime(10_000);
    expect(told).toEqual(['soon', 'later']);
  });

  test('waits for longer than a timer can', () => {
    const clock = new PreviewClock();
    const told: number[] = [];
    const days = 60 * 864e5;
    clock.wait(() => told.push(clock.now()), days);
    jest.advanceTimersByTime(days - 1);
    expect(told).toEqual([]);
    jest.advanceTimersByTime(1);
    expect(told).toHaveLength(1);
  });

  test('nothing is called before its time, however it is moved, and all of it once', () => {
    fc.assert(
      fc.property(
        fc.array(fc.nat(10_000), { maxLength: 8 }),
        fc.array(fc.nat(4000), { maxLength: 8 }),
        (waits, moves) => {
          const clock = new PreviewClock();
          const start = clock.now();
          const told: number[] = [];
          waits.forEach((millis) =>
            clock.wait(() => {
              expect(clock.now() - start).toBeGreaterThanOrEqual(millis);
              told.push(millis);
            }, millis),
          );
          for (const by of moves) {
            clock.move(by);
            jest.advanceTimersByTime(by / 2);
          }
          jest.advanceTimersByTime(20_000);
          expect([...told].sort()).toEqual([...waits].sort());
        },
      ),
    );
  });
});
