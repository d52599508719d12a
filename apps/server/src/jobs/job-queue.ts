import { Injectable, Logger, type OnApplicationShutdown } from '@nestjs/common';
import PgBoss from 'pg-boss';
import { readConfig } from '../config.js';
import { Database } from '../database/database.module.js';
import { isLeft, JobRunner, STALE_MILLIS } from './job-runner.js';

const QUEUE = 'jobs';
/** How often it is looked for jobs that somebody has left in the middle. */
const SWEEP_MILLIS = STALE_MILLIS / 3;
/** Jobs that one process works on at the same time; each of their steps is a task of the pool. */
const AT_ONCE = 2;

interface Ticket {
  readonly ownerId: string;
  readonly jobId: string;
}

/**
 * Hands jobs to whichever process is free: any number of them may serve the queue. A ticket of the queue says which job
 * is to be looked at; what becomes of it stands in the job itself, so that a ticket too many, or one that is lost with
 * its process, does no harm.
 */
@Injectable()
export class JobQueue implements OnApplicationShutdown {
  private readonly logger = new Logger(JobQueue.name);
  private boss: Promise<PgBoss> | undefined;
  private sweeping: NodeJS.Timeout | undefined;

  constructor(
    private readonly database: Database,
    private readonly runner: JobRunner,
  ) {}

  private started(): Promise<PgBoss> {
    this.boss ??= (async () => {
      const boss = new PgBoss({ connectionString: readConfig().databaseUrl, max: 3 });
      boss.on('error', (error) => this.logger.error(error.message));
      await boss.start();
      await boss.createQueue(QUEUE);
      return boss;
    })().catch((error: unknown) => {
      this.boss = undefined;
      throw error;
    });
    return this.boss;
  }

  /** Works on jobs in this process as soon as there are any: now where some were left, or once one is begun here. */
  async serveOnDemand(): Promise<void> {
    this.isServing = 'on demand';
    if ((await this.database.jobsWhere(isLeft())).length) await this.serve();
  }

  private isServing: boolean | 'on demand' = false;

  /** Puts a ticket for a job in. */
  async add(ticket: Ticket, once: PgBoss.SendOptions = {}): Promise<void> {
    if (this.isServing === 'on demand') await this.serve();
    const boss = await this.started();
    await boss.send(QUEUE, ticket, { retryLimit: 3, retryDelay: 2, expireInSeconds: 12 * 3600, ...once });
  }

  /** Works on jobs from now on, in this process. */
  async serve(): Promise<void> {
    if (this.isServing === true) return;
    this.isServing = true;
    const boss = await this.started();
    for (let i = 0; i < AT_ONCE; i++) {
      await boss.work<Ticket>(QUEUE, { pollingIntervalSeconds: 0.5 }, async ([job]) => {
        if (job) await this.runner.run(job.data.ownerId, job.data.jobId);
      });
    }
    this.sweeping = setInterval(() => void this.sweep(), SWEEP_MILLIS);
  }

  /** Puts tickets in for jobs that were left: their process died, or their ticket was lost. */
  private async sweep(): Promise<void> {
    try {
      for (const ticket of await this.database.jobsWhere(isLeft())) {
        // One ticket in a while is enough, however many processes look.
        await this.add(ticket, { singletonKey: ticket.jobId, singletonSeconds: Math.max(1, STALE_MILLIS / 1000) });
      }
    } catch (error) {
      this.logger.warn(`Jobs could not be looked for: ${(error as Error).message}`);
    }
  }

  async onApplicationShutdown(): Promise<void> {
    clearInterval(this.sweeping);
    const boss = await this.boss?.catch(() => undefined);
    await boss?.stop({ graceful: false, wait: true, timeout: 2000 });
  }
}
