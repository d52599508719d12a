interface Due {
  readonly act: () => void;
  readonly at: number;
  timer: ReturnType<typeof setTimeout> | undefined;
}

/** A clock for what counts and waits, which can be moved; what falls due by that happens at once. */
export class PreviewClock {
  private ahead = 0;
  private readonly due = new Set<Due>();

  now = (): number => Date.now() + this.ahead;

  wait = (act: () => void, millis: number): (() => void) => {
    const call: Due = { act, at: this.now() + millis, timer: undefined };
    this.due.add(call);
    this.start(call);
    return () => {
      clearTimeout(call.timer);
      this.due.delete(call);
    };
  };

  /** @param by milliseconds */
  move(by: number): void {
    this.ahead += by;
    for (const call of [...this.due]) {
      clearTimeout(call.timer);
      this.start(call);
    }
  }

  private start(call: Due): void {
    // No timer waits for longer than this.
    const millis = Math.min(Math.max(0, call.at - this.now()), 2 ** 31 - 1);
    call.timer = setTimeout(() => {
      if (call.at > this.now()) return this.start(call);
      this.due.delete(call);
      call.act();
    }, millis);
  }
}
