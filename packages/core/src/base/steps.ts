/** How far a long computation has come. */
export interface Progress {
  readonly done: number;
  readonly of: number;
}

/**
 * A computation that can be left after each step and taken up again: each step gives how far it has come, the last one
 * the result. What is not taken up again has stopped.
 */
export type Steps<T> = Generator<Progress, T, void>;

/**
 * Goes through all steps at once.
 *
 * @param onStep may throw to stop
 */
export function finish<T>(steps: Steps<T>, onStep: (progress: Progress) => void = () => undefined): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    onStep(step.value);
  }
}

/**
 * Goes through the steps, letting others have their turn between them.
 *
 * @param pause resolves when the next steps may be made; may reject to stop
 * @param millis for so long steps are made one after the other
 */
export async function finishInTurns<T>(
  steps: Steps<T>,
  pause: (progress: Progress) => Promise<void>,
  now: () => number,
  millis = 50,
): Promise<T> {
  let until = now() + millis;
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    if (now() < until) continue;
    await pause(step.value);
    until = now() + millis;
  }
}

/** Steps that are the last of longer work. */
export function* within<T>(steps: Steps<T>, before: number, of: number): Steps<T> {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    yield { done: before + step.value.done, of };
  }
}

/** Work without steps of its own as a part of longer work, which stays at one step meanwhile. */
export function* meanwhile<T>(work: Generator<void, T>, at: Progress): Steps<T> {
  let step = work.next();
  for (; !step.done; step = work.next()) yield at;
  return step.value;
}
