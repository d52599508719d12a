import { constants, setPriority } from 'node:os';
import workerpool from 'workerpool';

const LOOK_EVERY_MILLIS = 40;

/**
 * Makes this process serve tasks: at low priority, so that answering others comes first, and ending itself when it takes
 * more memory than it may. The bound holds for what is taken outside of JavaScript too.
 */
export function serveWork(methods: Record<string, (...params: never[]) => unknown>, megabytes: number): void {
  try {
    setPriority(constants.priority.PRIORITY_LOW);
  } catch {
    // Then it runs at the priority of the server.
  }
  setInterval(() => {
    if (process.memoryUsage.rss() > megabytes * 1024 * 1024) process.exit(1);
  }, LOOK_EVERY_MILLIS).unref();
  workerpool.worker(methods);
}
