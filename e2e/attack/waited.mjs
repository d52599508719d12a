import { readFile } from 'node:fs/promises';
import { availableParallelism } from 'node:os';

/**
 * How long a process's main thread has been ready to run and had no core, in milliseconds since it began: what other
 * programs on the machine cost it. 0 where the system does not tell (Linux does, in /proc; see its sched-stats).
 */
export async function waitedForCore(pid) {
  try {
    const [, waited] = (await readFile(`/proc/${pid}/task/${pid}/schedstat`, 'utf8')).split(' ');
    return Number(waited) / 1e6;
  } catch {
    return 0;
  }
}

/** One tick of /proc/stat, in milliseconds (USER_HZ is 100 on all that Node runs on). */
const TICK = 10;

/**
 * How long other machines on the same host have kept this one's cores, in milliseconds for each core since it began (see
 * proc(5), "steal"). 0 where the system does not tell.
 */
export async function stolenFromCores() {
  try {
    const [total] = (await readFile('/proc/stat', 'utf8')).split('\n');
    return (Number(total.trim().split(/\s+/)[8]) * TICK) / availableParallelism();
  } catch {
    return 0;
  }
}
