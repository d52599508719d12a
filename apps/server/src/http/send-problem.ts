import type { Problem } from '@retoque/contract';
import type { Request, Response } from 'express';
import type { ProblemException } from './problem.js';

/** Answers with RFC 9457 problem details. */
export function sendProblem(
  request: Request,
  response: Response,
  body: Problem,
  extra: Readonly<Record<string, unknown>> = {},
  retryAfter?: number,
): void {
  if (retryAfter !== undefined) response.setHeader('Retry-After', String(retryAfter));
  response
    .status(body.status)
    .type('application/problem+json')
    .send(JSON.stringify({ ...body, instance: request.originalUrl, ...extra }));
}

/** The same for a refusal that comes before anything else of the request is looked at. */
export const refuse = (request: Request, response: Response, { problem, extra, retryAfter }: ProblemException): void =>
  sendProblem(request, response, problem, extra, retryAfter);
