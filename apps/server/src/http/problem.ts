import { HttpException } from '@nestjs/common';
import { PROBLEM, type Problem } from '@retoque/contract';

/** An error that reaches the client as RFC 9457 problem details. */
export class ProblemException extends HttpException {
  constructor(
    readonly problem: Problem,
    /** Members beyond the standard ones. */
    readonly extra: Readonly<Record<string, unknown>> = {},
    /** When to ask again, in seconds; sent as Retry-After. */
    readonly retryAfter?: number,
  ) {
    super(problem.title, problem.status);
  }
}

export const problem = (
  type: keyof typeof PROBLEM,
  status: number,
  title: string,
  detail?: string,
  retryAfter?: number,
): ProblemException =>
  new ProblemException({ type: PROBLEM[type], title, status, ...(detail ? { detail } : {}) }, {}, retryAfter);

export const notFound = (what: string): ProblemException =>
  problem('notFound', 404, `${what} was not found`, `It may have been deleted, or the address is wrong.`);
