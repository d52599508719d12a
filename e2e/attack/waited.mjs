import { readFile } from 'node:fs/promises';

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
