import { Injectable } from '@nestjs/common';
import { and, eq, inArray, lt, or } from 'drizzle-orm';
import { readConfig } from '../config.js';
import { Database } from '../database/database.module.js';
import type { OwnerScope } from '../database/owner-scope.js';
import { jobResults, jobs } from '../database/schema.js';
import type { JobKind } from './job-kind.js';
import { SiteChecks } from './site-checks.js';

type JobRow = typeof jobs.$inferSelect;

/** After which silence of whoever works on a job another takes it up; they say so several times as often. */
export const STALE_MILLIS = readConfig().jobStaleMillis;
const BEAT_MILLIS = STALE_MILLIS / 8;

/** The work was taken from whoever was at it: it was cancelled, or someone else has taken it up. */
class LostLeaseError extends Error {
  override readonly name = 'LostLeaseError';
}

/**
 * Carries jobs out, step by step. Each step's result is stored once, under a number that only the one who holds the job
 * may write with, so that a process that dies loses no more than the step it was at, and one that was thought dead
 * writes nothing twice.
 */
@Injectable()
export class JobRunner {
  private readonly kinds: ReadonlyMap<string, JobKind>;

  constructor(
    private readonly database: Database,
    checks: SiteChecks,
  ) {
    this.kinds = new Map([[checks.name, checks as JobKind]]);
  }

  /** Does what is left of a job; nothing where it is cancelled, done, or in other hands. */
  async run(ownerId: string, jobId: string): Promise<void> {
    const scope = this.database.scopeFor(ownerId);
    const job = await this.take(scope, jobId);
    if (!job) return;
    const stop = new AbortController();
    const beat = setInterval(() => void this.beat(scope, job, stop), BEAT_MILLIS);
    try {
      await this.work(scope, job, stop.signal);
      await this.end(scope, job, { state: 'done' });
    } catch (error) {
      if (error instanceof LostLeaseError || stop.signal.aborted) return;
      await this.end(scope, job, { state: 'failed', problem: (error as Error).message.slice(0, 500) });
      throw error;
    } finally {
      clearInterval(beat);
    }
  }

  private async take(scope: OwnerScope, id: string): Promise<JobRow | undefined> {
    return scope.transaction(async (inner) => {
      const known = await inner.first(jobs, eq(jobs.id, id), { forUpdate: true });
      if (!known) return undefined;
      const isFree = known.state === 'waiting' || (known.state === 'running' && isStale(known));
      if (!isFree) return undefined;
      const set = { state: 'running' as const, attempt: known.attempt + 1, beatAt: new Date() };
      const [taken] = await inner.update(jobs, set, eq(jobs.id, id));
      return taken;
    });
  }

  private async work(scope: OwnerScope, job: JobRow, signal: AbortSignal): Promise<void> {
    const kind = this.kinds.get(job.kind);
    if (!kind) throw new Error(`Nothing here does ${job.kind}.`);
    const of = kind.count(job.params);
    const rows = await scope.columns(jobResults, { step: jobResults.step }, eq(jobResults.jobId, job.id));
    const known = new Set(rows.map(({ step }) => step));
    await this.keep(scope, job, { of, done: known.size });
    for (let step = 0; step < of; step++) {
      if (known.has(step)) continue;
      const result = await kind.run(scope, job.params, step, signal);
      known.add(step);
      await scope.transaction(async (inner) => {
        await this.keep(inner, job, { done: known.size });
        await inner.insertMissing(jobResults, [{ jobId: job.id, step, result }]);
      });
    }
  }

  /** @throws LostLeaseError where the job is in other hands, or cancelled */
  private async keep(scope: OwnerScope, { id, attempt }: JobRow, set: Partial<JobRow>): Promise<void> {
    const mine = and(eq(jobs.id, id), eq(jobs.attempt, attempt), eq(jobs.state, 'running'))!;
    const [kept] = await scope.update(jobs, { ...set, beatAt: new Date() }, mine);
    if (!kept) throw new LostLeaseError();
  }

  private async beat(scope: OwnerScope, job: JobRow, stop: AbortController): Promise<void> {
    try {
      await this.keep(scope, job, {});
    } catch (error) {
      // A database that is away for a moment ends nothing; it is asked again at the next beat.
      if (error instanceof LostLeaseError) stop.abort(error);
    }
  }

  private async end(scope: OwnerScope, job: JobRow, set: Partial<JobRow>): Promise<void> {
    const mine = and(eq(jobs.id, job.id), eq(jobs.attempt, job.attempt), eq(jobs.state, 'running'))!;
    await scope.update(jobs, set, mine);
  }
}

const isStale = ({ beatAt }: JobRow): boolean => !beatAt || Date.now() - beatAt.getTime() > STALE_MILLIS;

/** Jobs that nobody works on though they are not done. */
export const isLeft = () =>
  or(
    eq(jobs.state, 'waiting'),
    and(inArray(jobs.state, ['running']), lt(jobs.beatAt, new Date(Date.now() - STALE_MILLIS))),
  )!;
