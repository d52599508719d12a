import { Catch, HttpException, type ArgumentsHost, type ExceptionFilter } from '@nestjs/common';
import { PROBLEM, type Problem } from '@retoque/contract';
import type { Request, Response } from 'express';
import { ZodSerializationException, ZodValidationException } from 'nestjs-zod';
import { PinoLogger } from 'nestjs-pino';
import type { ZodError } from 'zod';
import { isLostConnection } from '../database/lost-connection.js';
import { BODY_BOUNDS } from './body-bounds.js';
import { problem, ProblemException } from './problem.js';
import { sendProblem } from './send-problem.js';

/** Turns every error into RFC 9457 problem details; what was not foreseen is logged and told without its inside. */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  constructor(private readonly logger: PinoLogger) {}

  catch(error: unknown, host: ArgumentsHost): void {
    const http = host.switchToHttp();
    const response = http.getResponse<Response>();
    const request = http.getRequest<Request>();
    if (response.headersSent || response.destroyed) return;
    const { body, extra, retryAfter } = this.describe(error);
    sendProblem(request, response, body, extra, retryAfter);
  }

  private describe(error: unknown): Described {
    if (error instanceof ProblemException)
      return { body: error.problem, extra: error.extra, retryAfter: error.retryAfter };
    if (isLostConnection(error)) {
      this.logger.warn({ err: error }, 'The database did not answer');
      return { body: UNAVAILABLE.problem, extra: {}, retryAfter: UNAVAILABLE.retryAfter };
    }
    if (error instanceof ZodValidationException) return { body: invalid(error.getZodError() as ZodError), extra: {} };
    if (error instanceof ZodSerializationException) {
      this.logger.error({ issues: (error.getZodError() as ZodError).issues }, 'An answer did not fit its schema');
    } else if (error instanceof HttpException) {
      const status = error.getStatus();
      const type = status === 413 ? PROBLEM.tooLarge : status === 404 ? PROBLEM.notFound : 'about:blank';
      const title = status === 413 ? 'That is too large' : error.message;
      const detail = status === 413 ? TOO_MANY_BYTES : undefined;
      return { body: { type, title, status, ...(detail ? { detail } : {}) }, extra: {} };
    } else if (isBodyError(error)) {
      const tooLarge = error.type === 'entity.too.large';
      return {
        body: {
          type: tooLarge ? PROBLEM.tooLarge : PROBLEM.invalid,
          title: tooLarge ? 'That is too large' : 'The request could not be read',
          status: error.status,
          detail: tooLarge ? TOO_MANY_BYTES : 'Its body is not valid JSON.',
        },
        extra: {},
      };
    } else {
      this.logger.error({ err: error }, 'A request failed');
    }
    const body: Problem = {
      type: PROBLEM.internal,
      title: 'Something went wrong on our side',
      status: 500,
      detail: 'Nothing was changed. Try again; if it stays so, the log of the server says more.',
    };
    return { body, extra: {} };
  }
}

interface Described {
  readonly body: Problem;
  readonly extra: Readonly<Record<string, unknown>>;
  readonly retryAfter?: number | undefined;
}

const TOO_MANY_BYTES = `Everything together may have up to ${BODY_BOUNDS.bytes / 1024 / 1024} MB.`;

const UNAVAILABLE = problem(
  'unavailable',
  503,
  'The database does not answer',
  'Whether this was stored is not known; sent again with the same save id it is stored once.',
  2,
);

const isBodyError = (error: unknown): error is { type: string; status: number } =>
  typeof error === 'object' &&
  error !== null &&
  'type' in error &&
  'status' in error &&
  typeof error.status === 'number';

function invalid(error: ZodError): Problem {
  const errors = error.issues.map((issue) => ({ path: issue.path.join('.'), message: issue.message }));
  return {
    type: PROBLEM.invalid,
    title: 'Something in the request needs changing',
    status: 400,
    detail: errors.map((item) => (item.path ? `${item.path}: ${item.message}` : item.message)).join(' '),
    errors,
  };
}
