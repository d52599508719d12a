/** A clock for what counts and waits, which can be moved; what falls due by that happens at once. */
export class PreviewClock {
  private ahead = 0;
  private readonly due = new Set<{ readonly act: () => void; readonly at: number; timer: number }>();

  now = (): number => Date.now() + this.ahead;

  wait = (act: () => void, millis: number): (() => void) => {
    const call = { act, at: this.now() + millis, timer: 0 };
    this.due.add(call);
    this.start(call);
    return () => {
      window.clearTimeout(call.timer);
      this.due.delete(call);
    };
  };

  /** @param by milliseconds */
  move(by: number): void {
    this.ahead += by;
    for (const call of [...this.due]) {
      window.clearTimeout(call.timer);
      this.start(call);
    }
  }

  private start(call: { readonly act: () => void; readonly at: number; timer: number }): void {
    // No timer waits for longer than this.
    const millis = Math.min(Math.max(0, call.at - this.now()), 2 ** 31 - 1);
    call.timer = window.setTimeout(() => {
      if (call.at > this.now()) return this.start(call);
      this.due.delete(call);
      call.act();
    }, millis);
  }
}
