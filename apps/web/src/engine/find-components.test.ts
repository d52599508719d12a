import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { findComponents } from './find-components';

/** A worker that counts three at a time. */
function workerWith(total: number) {
  const asked: number[] = [];
  const worker = {
    list: () => Promise.resolve(Array.from({ length: total }, (_, i) => ({ selector: `.c${i}` }))),
    count: (_version: string, from: number) => {
      asked.push(from);
      return Promise.resolve(
        Array.from({ length: Math.min(3, total - from) }, (_, i) => ({
          short: from + i,
          unsure: 0,
          passes: 1,
          unseen: 0,
        })),
      );
    },
  };
  return { worker: worker as unknown as Parameters<typeof findComponents>[0], asked };
}

afterEach(() => void jest.restoreAllMocks());

describe('finding the components of a page', () => {
  it('tells what it has found before any is counted, where finding them took long', async () => {
    const { worker } = workerWith(4);
    // Ten minutes pass between any two looks at the clock.
    let clock = 0;
    jest.spyOn(Date, 'now').mockImplementation(() => (clock += 600_000));
    const told: (readonly boolean[])[] = [];
    await findComponents(worker, 'v', [], new AbortController().signal, (some) =>
      told.push(some.map(({ counted }) => counted)),
    );
    expect(told).toEqual([
      [false, false, false, false],
      [true, true, true, false],
    ]);
  });

  it('counts all of them, each once', async () => {
    const { worker, asked } = workerWith(8);
    const found = await findComponents(worker, 'v', [], new AbortController().signal);
    expect(asked).toEqual([0, 3, 6]);
    expect(found.map(({ short, counted }) => [short, counted])).toEqual(Array.from({ length: 8 }, (_, i) => [i, true]));
  });

  it('stops where nobody waits any longer', async () => {
    const { worker, asked } = workerWith(100);
    const leaving = new AbortController();
    const running = findComponents(worker, 'v', [], leaving.signal);
    leaving.abort(new Error('Left.'));
    await expect(running).rejects.toThrow('Left.');
    expect(asked.length).toBeLessThan(3);
  });

  it('finds nothing on an empty page', async () => {
    expect(await findComponents(workerWith(0).worker, 'v', [], new AbortController().signal)).toEqual([]);
  });
});
