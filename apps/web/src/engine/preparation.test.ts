import { describe, expect, it } from '@jest/globals';
import { Preparation } from './preparation';

/** Counts to a number, one step at a time, and notes each. */
function counting(to: number, steps: number[]) {
  return function* (): Generator<void, string> {
    for (let i = 1; i <= to; i++) {
      steps.push(i);
      yield;
    }
    return `counted to ${to}`;
  };
}

const turn = () => new Promise((resolve) => setTimeout(resolve));

describe('work done beforehand', () => {
  it('goes on by itself, and lets others have their turn in between', async () => {
    const steps: number[] = [];
    const running = new Preparation<string>().run('a', counting(5, steps));
    expect(steps).toEqual([1]);
    await expect(running).resolves.toBe('counted to 5');
    expect(steps).toEqual([1, 2, 3, 4, 5]);
  });

  it('is taken over where it stands, and no step is taken twice', async () => {
    const steps: number[] = [];
    const preparation = new Preparation<string>();
    const running = preparation.run('a', counting(5, steps));
    await turn();
    expect(steps.length).toBeLessThan(5);
    expect(preparation.finish('a')).toBe('counted to 5');
    expect(steps).toEqual([1, 2, 3, 4, 5]);
    await expect(running).resolves.toBe('counted to 5');
  });

  it('is still there for who comes when it has ended', async () => {
    const preparation = new Preparation<string>();
    await preparation.run('a', counting(2, []));
    expect(preparation.finish('a')).toBe('counted to 2');
  });

  it('stops, and gives nothing to who wants something else', async () => {
    const steps: number[] = [];
    const preparation = new Preparation<string>();
    const running = preparation.run('a', counting(50, steps));
    expect(preparation.finish('b')).toBeUndefined();
    preparation.stop();
    await expect(running).resolves.toBeUndefined();
    expect(preparation.finish('a')).toBeUndefined();
    expect(steps.length).toBeLessThan(50);
  });

  it('gives way to other work', async () => {
    const preparation = new Preparation<string>();
    const first = preparation.run('a', counting(50, []));
    const second = preparation.run('b', counting(3, []));
    await expect(first).resolves.toBeUndefined();
    await expect(second).resolves.toBe('counted to 3');
  });

  it('tells who takes it over what went wrong, and is gone then', () => {
    const preparation = new Preparation<string>();
    const failing = function* (): Generator<void, string> {
      yield;
      throw new Error('The page is gone.');
    };
    const running = preparation.run('a', failing);
    expect(() => preparation.finish('a')).toThrow('The page is gone.');
    expect(preparation.finish('a')).toBeUndefined();
    return expect(running).resolves.toBeUndefined();
  });
});
