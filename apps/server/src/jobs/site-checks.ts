import { Injectable } from '@nestjs/common';
import type { PageChecksResult, StartSiteChecks } from '@retoque/contract';
import type { OwnerScope } from '../database/owner-scope.js';
import { ProblemException } from '../http/problem.js';
import { LedgerService } from '../measuring/ledger.service.js';
import { RETRY_SECONDS } from '../work/work-pool.js';
import type { JobKind } from './job-kind.js';

export interface SiteChecksParams extends StartSiteChecks {
  /** The pages as they were when it was asked for, so that steps stay what they are. */
  readonly pages: readonly { readonly id: string; readonly name: string }[];
}

const BUSY = 429;

/** All checks of a site, one page a step. */
@Injectable()
export class SiteChecks implements JobKind<SiteChecksParams> {
  readonly name = 'site-checks';

  constructor(private readonly ledger: LedgerService) {}

  count({ pages }: SiteChecksParams): number {
    return pages.length;
  }

  async run(scope: OwnerScope, params: SiteChecksParams, step: number, signal: AbortSignal): Promise<PageChecksResult> {
    const { pages, width, height, level, looks } = params;
    const page = pages[step]!;
    for (;;) {
      try {
        const checks = await this.ledger.check(scope, page.id, { width, height, level, looks }, signal);
        return { page, checks, problem: null };
      } catch (error) {
        if (!(error instanceof ProblemException)) throw error;
        const { status, title } = error.problem;
        // A page that was removed, or that asks for too much, is told as such; the others are checked all the same.
        if (status !== BUSY) return { page, checks: [], problem: title };
        await new Promise((resolve) => setTimeout(resolve, RETRY_SECONDS * 1000));
        signal.throwIfAborted();
      }
    }
  }
}
