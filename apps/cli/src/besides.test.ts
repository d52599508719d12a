import { describe, expect, it } from '@jest/globals';
import type { Steps } from '@retoque/core';
import { besides } from './besides.js';

function* counting(to: number, seen: number[]): Steps<string> {
  for (let done = 1; done <= to; done += 1) {
    seen.push(done);
    yield { done, of: to };
  }
  return 'all';
}

describe('computing beside something awaited', () => {
  it('leaves off as soon as that is there, and gives what it gives', async () => {
    const seen: number[] = [];
    let give: (value: string) => void = () => undefined;
    const awaited = new Promise<string>((resolve) => (give = resolve));
    const steps = function* (): Steps<string> {
      for (const progress of counting(1000, seen)) {
        if (seen.length === 3) give('there');
        yield progress;
      }
      return '';
    };
    expect(await besides(awaited, () => [steps()])).toBe('there');
    expect(seen).toEqual([1, 2, 3]);
  });

  it('waits on where the computations end first, one after the other', async () => {
    const seen: number[] = [];
    let give: (value: string) => void = () => undefined;
    const awaited = new Promise<string>((resolve) => (give = resolve));
    const last = function* (): Steps<string> {
      yield* counting(3, seen);
      give('late');
      return '';
    };
    expect(await besides(awaited, () => [counting(2, seen), last()])).toBe('late');
    expect(seen).toEqual([1, 2, 1, 2, 3]);
  });

  it('fails as what it waits for fails', async () => {
    await expect(besides(Promise.reject(new Error('no picture')), () => [counting(2, [])])).rejects.toThrow(
      'no picture',
    );
  });
});
