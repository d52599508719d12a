import { problemSchema, type Problem } from '@retoque/contract';
import type { z } from 'zod';

/** An answer that says no, with the words for the person. */
export class ProblemError extends Error {
  override readonly name = 'ProblemError';
  constructor(
    readonly problem: Problem,
    /** The whole answer, members beyond the standard ones included. */
    readonly body: unknown,
  ) {
    super(problem.detail ? `${problem.title}. ${problem.detail}` : problem.title);
  }
}

/** No answer at all: the server or the network is away. */
export class ConnectionError extends Error {
  override readonly name = 'ConnectionError';
}

interface CallOptions {
  readonly method?: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  readonly body?: unknown;
  readonly form?: FormData;
  readonly signal?: AbortSignal | undefined;
}

async function send(path: string, options: CallOptions): Promise<Response> {
  const { method = 'GET', body, form, signal } = options;
  const init: RequestInit = { method };
  if (signal) init.signal = signal;
  if (form) init.body = form;
  else if (body !== undefined) {
    init.body = JSON.stringify(body);
    init.headers = { 'content-type': 'application/json' };
  }
  let response: Response;
  try {
    response = await fetch(`/api${path}`, init);
  } catch (error) {
    if (signal?.aborted) throw error;
    throw new ConnectionError('Retoque’s server does not answer. Your work stays here; try again in a moment.');
  }
  if (response.ok) return response;
  const text = await response.text();
  let parsed: unknown;
  try {
    parsed = JSON.parse(text);
  } catch {
    parsed = undefined;
  }
  const problem = problemSchema.safeParse(parsed);
  // A gateway without our server behind it answers in its own words.
  if (!problem.success)
    throw new ConnectionError(`The server answered with status ${response.status} and no explanation.`);
  throw new ProblemError(problem.data, parsed);
}

/** Calls the API and checks the answer against its schema. */
export async function call<S extends z.ZodType>(
  schema: S,
  path: string,
  options: CallOptions = {},
): Promise<z.output<S>> {
  const response = await send(path, options);
  return schema.parse(await response.json());
}

export async function callEmpty(path: string, options: CallOptions): Promise<void> {
  await send(path, options);
}

/** A file that the API makes, with the name that it gives it. */
export async function callFile(path: string, options: CallOptions): Promise<{ blob: Blob; name: string }> {
  const response = await send(path, options);
  const name = /filename="([^"]+)"/.exec(response.headers.get('content-disposition') ?? '')?.[1];
  return { blob: await response.blob(), name: name ?? 'retoque' };
}
