import type { Request } from 'express';

/** Aborts when the browser that asked is gone, so that what was cancelled stops and stores nothing. */
export function goneSignal(request: Request): AbortSignal {
  const controller = new AbortController();
  request.res?.once('close', () => {
    if (!request.res?.writableFinished) controller.abort(new Error('The request was cancelled.'));
  });
  return controller.signal;
}
