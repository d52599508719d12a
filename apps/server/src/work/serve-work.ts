import { constants, setPriority } from 'node:os';
import workerpool from 'workerpool';

const LOOK_EVERY_MILLIS = 40;
/** What a process ends with when a task has computed for longer than it may. */
export const PAST_TIME = 3;

interface OwnBounds {
  /** Of all memory of the process, taken outside of JavaScript too. */
  readonly megabytes: number;
  /**
   * For so long one task may compute, on however many threads. A machine that has other things to do takes longer over a
   * task, and that is not the task's fault.
   */
  readonly processorMillis?: number;
}

type Method = (...params: never[]) => unknown;

/**
 * Makes this process serve tasks, one at a time: at low priority, so that answering others comes first, and ending itself
 * when a task takes more than it may.
 */
export function serveWork(methods: Readonly<Record<string, Method>>, bounds: OwnBounds): void {
  try {
    setPriority(constants.priority.PRIORITY_LOW);
  } catch {
    // Then it runs at the priority of the server.
  }
  const { megabytes, processorMillis = Infinity } = bounds;
  let begun: NodeJS.CpuUsage | undefined;
  setInterval(() => {
    if (process.memoryUsage.rss() > megabytes * 1024 * 1024) process.exit(1);
    if (!begun) return;
    const { user, system } = process.cpuUsage(begun);
    if ((user + system) / 1000 > processorMillis) process.exit(PAST_TIME);
  }, LOOK_EVERY_MILLIS).unref();
  const timed = Object.entries(methods).map(([name, run]) => [
    name,
    async (...params: never[]) => {
      begun = process.cpuUsage();
      try {
        return await run(...params);
      } finally {
        begun = undefined;
      }
    },
  ]);
  workerpool.worker(Object.fromEntries(timed) as Record<string, Method>);
}
