import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { startAhead, startWorker } from './start-worker';

/** Names of workers that were started. */
let started: string[] = [];
class FakeWorker {
  constructor(
    readonly address: URL,
    readonly options: { readonly name: string },
  ) {
    started.push(options.name);
  }
}

describe('workers', () => {
  const before = Reflect.get(globalThis, 'Worker') as unknown;
  beforeEach(() => {
    started = [];
    Reflect.set(globalThis, 'Worker', FakeWorker);
  });
  afterEach(() => void Reflect.set(globalThis, 'Worker', before));

  it('that were started ahead are given to the first who asks, and started but once', () => {
    startAhead('engine');
    startAhead('engine');
    expect(started).toEqual(['engine']);
    const first = startWorker('engine') as unknown as FakeWorker;
    expect(first.options.name).toBe('engine');
    expect(started).toEqual(['engine']);
    expect(startWorker('engine')).not.toBe(first);
    startWorker('surveyor');
    expect(started).toEqual(['engine', 'engine', 'surveyor']);
  });
});
