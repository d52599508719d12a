import { Injectable } from '@nestjs/common';
import type { Job, JobResults, PageChecksResult, StartSiteChecks } from '@retoque/contract';
import { and, asc, desc, eq, gte, inArray } from 'drizzle-orm';
import type { OwnerScope } from '../database/owner-scope.js';
import { jobResults, jobs } from '../database/schema.js';
import { notFound, problem } from '../http/problem.js';
import { SitesService } from '../sites/sites.service.js';
import { JobQueue } from './job-queue.js';
import type { SiteChecksParams } from './site-checks.js';

/** Jobs of one site that may be under way at the same time, and how many are listed. */
const MAX_AT_ONCE = 4;
const LISTED = 50;
/** Steps whose results are given at a time. */
const RESULTS_AT_ONCE = 10;

const toJob = ({ id, siteId, kind, state, done, of, problem: why, createdAt }: typeof jobs.$inferSelect): Job => ({
  id,
  siteId,
  kind,
  state,
  done,
  of,
  problem: why,
  createdAt: createdAt.toISOString(),
});

/** Long work of an owner: begun, looked at, cancelled, taken up again. */
@Injectable()
export class JobsService {
  constructor(
    private readonly queue: JobQueue,
    private readonly sites: SitesService,
  ) {}

  /** @throws ProblemException 429 where too much of the site is under way already */
  async startSiteChecks(scope: OwnerScope, siteId: string, asked: StartSiteChecks): Promise<Job> {
    const site = await this.sites.get(scope, siteId);
    const params: SiteChecksParams = { ...asked, pages: site.pages.map(({ id, name }) => ({ id, name })) };
    const [job] = await scope.transaction(async (inner) => {
      const open = and(eq(jobs.siteId, siteId), inArray(jobs.state, ['waiting', 'running']));
      if ((await inner.select(jobs, open)).length >= MAX_AT_ONCE) {
        throw problem('busy', 429, 'Too much of that site is being worked out already', 'Wait for it, or cancel some.');
      }
      return inner.insert(jobs, { siteId, kind: 'site-checks', params, of: params.pages.length });
    });
    await this.queue.add({ ownerId: scope.ownerId, jobId: job!.id });
    return toJob(job!);
  }

  async list(scope: OwnerScope, siteId: string): Promise<Job[]> {
    const rows = await scope.select(jobs, eq(jobs.siteId, siteId), { orderBy: desc(jobs.createdAt), limit: LISTED });
    return rows.map(toJob);
  }

  async get(scope: OwnerScope, id: string): Promise<Job> {
    const row = await scope.first(jobs, eq(jobs.id, id));
    if (!row) throw notFound('The job');
    return toJob(row);
  }

  /** What steps came to, from one on; a few at a time. */
  async results(scope: OwnerScope, id: string, from: number): Promise<JobResults> {
    const job = await this.get(scope, id);
    const rows = await scope.select(jobResults, and(eq(jobResults.jobId, id), gte(jobResults.step, from)), {
      orderBy: asc(jobResults.step),
      limit: RESULTS_AT_ONCE,
    });
    const last = rows.at(-1)?.step;
    return {
      results: rows.map(({ step, result }) => ({ step, result: result as PageChecksResult })),
      next: last === undefined || last + 1 >= job.of ? null : last + 1,
    };
  }

  /** Ends a job; what it has come to stays. One that has ended already is left as it is. */
  async cancel(scope: OwnerScope, id: string): Promise<Job> {
    await scope.update(
      jobs,
      { state: 'cancelled' },
      and(eq(jobs.id, id), inArray(jobs.state, ['waiting', 'running']))!,
    );
    return this.get(scope, id);
  }

  /** Takes a job up again that was cancelled or has failed; what was done is not done again. */
  async resume(scope: OwnerScope, id: string): Promise<Job> {
    const [taken] = await scope.update(
      jobs,
      { state: 'waiting', problem: null },
      and(eq(jobs.id, id), inArray(jobs.state, ['cancelled', 'failed']))!,
    );
    if (taken) await this.queue.add({ ownerId: scope.ownerId, jobId: id });
    return this.get(scope, id);
  }
}
