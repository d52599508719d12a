import type { Steps } from '@retoque/core';
import { setImmediate as othersTurn } from 'node:timers/promises';

/**
 * Waits for something that is done outside of this thread, and goes through computations meanwhile. What they come to is
 * not used: they leave behind what they worked out and the awaited has no say in, so that they are quick afterwards.
 */
export async function besides<T>(awaited: Promise<T>, computations: () => readonly Steps<unknown>[]): Promise<T> {
  let isThere = false;
  const done = () => (isThere = true);
  awaited.then(done, done);
  // It is begun first.
  await othersTurn();
  for (const steps of computations()) {
    while (!isThere && !steps.next().done) await othersTurn();
  }
  return awaited;
}
