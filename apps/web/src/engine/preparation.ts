/**
 * One piece of work that is done bit by bit beforehand. Whoever comes to need it takes over what is done so far, so
 * that nothing is worked out twice.
 */
export class Preparation<T> {
  private current:
    { readonly key: string; readonly work: Generator<void, T>; found?: { readonly value: T } } | undefined;

  /**
   * Works while nothing else has a turn.
   *
   * @param key says what is worked out; all that it depends on is in it
   * @returns undefined where it was stopped, or other work took its place
   */
  async run(key: string, start: () => Generator<void, T>): Promise<T | undefined> {
    const own = (this.current = { key, work: start() });
    while (this.current === own) {
      const found = this.step();
      if (found) return found.value;
      // Whatever was asked for in the meantime has its turn.
      await new Promise((resolve) => setTimeout(resolve));
    }
    return undefined;
  }

  /** What was being worked out, with the rest of it done at once; undefined where it was something else. */
  finish(key: string): T | undefined {
    while (this.current?.key === key) {
      const found = this.step();
      if (found) return found.value;
    }
    return undefined;
  }

  stop(): void {
    this.current = undefined;
  }

  private step(): { readonly value: T } | undefined {
    const { current } = this;
    if (!current || current.found) return current?.found;
    try {
      const step = current.work.next();
      if (step.done) current.found = { value: step.value };
    } catch (error) {
      this.current = undefined;
      throw error;
    }
    return current.found;
  }
}
