import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { inFront } from './in-front';
import { whenNobodyAsks } from './asking';
import type { Engine } from './protocol';

const engine = inFront({
  count: () => Promise.resolve('counted'),
  sheet: (...asked: unknown[]) => Promise.resolve(asked),
  component: () => Promise.reject(new Error('It is not there.')),
} as unknown as Engine) as unknown as Record<
  'count' | 'sheet' | 'component',
  (...asked: unknown[]) => Promise<unknown>
>;

/** Whether what nobody waits for goes on within so many milliseconds of a clock that is moved by hand. */
async function goesOnWithin(millis: number): Promise<boolean> {
  let went = false;
  void whenNobodyAsks().then(() => (went = true));
  await jest.advanceTimersByTimeAsync(millis);
  return went;
}

describe('what nobody waits for', () => {
  beforeEach(() => void jest.useFakeTimers({ now: 1_000_000 }));
  afterEach(() => void jest.useRealTimers());

  it('stands back while something is asked, and a little after, even where that fails', async () => {
    await jest.advanceTimersByTimeAsync(10_000);
    expect(await goesOnWithin(1)).toBe(true);
    await engine.count();
    expect(await goesOnWithin(1)).toBe(true);
    expect(await engine.sheet('a', 'b')).toEqual(['a', 'b']);
    expect(await goesOnWithin(100)).toBe(false);
    await jest.advanceTimersByTimeAsync(1000);
    await expect(engine.component()).rejects.toThrow('It is not there.');
    expect(await goesOnWithin(100)).toBe(false);
    expect(await goesOnWithin(1000)).toBe(true);
  });
});
