import { fileURLToPath } from 'node:url';
import workerpool from 'workerpool';
import { problem } from '../http/problem.js';
import { PAST_TIME } from './serve-work.js';

export interface WorkBounds {
  /** The compiled script of the processes, relative to `dist/`. */
  readonly script: string;
  readonly processes: number;
  /** How many tasks may wait. */
  readonly queue: number;
  /** How long one task may run, by the clock; its process is ended after that. */
  readonly millis: number;
  /** Of JavaScript's own memory in one process, in MB. */
  readonly heapMegabytes: number;
}

/** A task that was ended because it went past its time, or whose process went past its memory or died. */
export class OutOfBoundsError extends Error {
  override readonly name = 'OutOfBoundsError';
  constructor(readonly bound: 'time' | 'memory') {
    super(bound === 'time' ? 'It took too long.' : 'It took too much memory.');
  }
}

/** How long to wait before asking again what was refused because too much was waiting, in seconds. */
export const RETRY_SECONDS = 5;

/**
 * Heavy work in processes of low priority: whatever becomes of one, the server goes on answering, and a task that takes
 * too long or too much memory is ended with its process.
 */
export class WorkPool {
  private pool: workerpool.Pool | undefined;

  constructor(private readonly bounds: WorkBounds) {}

  /**
   * @throws ProblemException 429 when too many tasks are waiting already
   * @throws OutOfBoundsError when the task was ended
   * @throws what the signal gives as its reason once it is aborted
   */
  async run<T>(method: string, params: readonly unknown[], signal?: AbortSignal): Promise<T> {
    signal?.throwIfAborted();
    const pool = this.started();
    if (pool.stats().pendingTasks >= this.bounds.queue) {
      throw problem(
        'busy',
        429,
        'Too much is being worked out already',
        `Ask again in ${RETRY_SECONDS} seconds.`,
        RETRY_SECONDS,
      );
    }
    const task = pool.exec(method, [...params]).timeout(this.bounds.millis);
    const cancel = () => void task.cancel();
    signal?.addEventListener('abort', cancel, { once: true });
    try {
      return (await task) as T;
    } catch (error) {
      signal?.throwIfAborted();
      if (error instanceof workerpool.Promise.TimeoutError) throw new OutOfBoundsError('time');
      if (error instanceof workerpool.TerminateError || (error as Error).name === 'TerminateError')
        throw new OutOfBoundsError((error as Error).message.includes(`exitCode: \`${PAST_TIME}\``) ? 'time' : 'memory');
      throw error;
    } finally {
      signal?.removeEventListener('abort', cancel);
    }
  }

  private started(): workerpool.Pool {
    // The compiled script, also where this file itself is run from its source.
    this.pool ??= workerpool.pool(fileURLToPath(new URL(`../../dist/${this.bounds.script}`, import.meta.url)), {
      workerType: 'process',
      maxWorkers: this.bounds.processes,
      workerTerminateTimeout: 200,
      forkOpts: {
        serialization: 'advanced',
        execArgv: [`--max-old-space-size=${this.bounds.heapMegabytes}`],
        stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
      },
    });
    return this.pool;
  }

  async stop(): Promise<void> {
    const pool = this.pool;
    this.pool = undefined;
    await pool?.terminate(true, 1000);
  }
}
