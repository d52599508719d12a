import type { NextFunction, Request, Response } from 'express';
import { problem } from './problem.js';
import { refuse } from './send-problem.js';

const LOOPBACK = ['127.0.0.1', 'localhost', '[::1]'];
const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

/** The origin of a request's Host header when it is one of ours; hosts are compared as URLs write them. */
function ownOrigin(request: Request, configured: readonly string[]): string | undefined {
  const host = request.headers.host?.toLowerCase();
  if (host === undefined) return undefined;
  const port = request.socket.localPort;
  const loopback = LOOPBACK.find((name) => host === `${name}:${port}` || (port === 80 && host === name));
  if (loopback) return `http://${host}`;
  return configured.find((origin) => new URL(origin).host === host);
}

/**
 * Says who may speak to the server, before anything else is looked at:
 *
 * - the Host must be one of ours, so that a name that somebody points at this machine (DNS rebinding) gains nothing;
 * - what changes something must come from our own pages, by `Sec-Fetch-Site` (Fetch Metadata) or `Origin` (RFC 6454);
 * - another site's page cannot read the API either, nor make it work.
 *
 * @param configured origins beside the loopback ones under which the application is reached
 */
export function gate(configured: readonly string[]) {
  return (request: Request, response: Response, next: NextFunction): void => {
    const own = ownOrigin(request, configured);
    if (own === undefined) {
      return refuse(
        request,
        response,
        problem(
          'misdirected',
          421,
          'This is not the address of Retoque',
          'Open it at http://127.0.0.1 with its port, or name the address that you use in RETOQUE_ORIGIN.',
        ),
      );
    }
    const site = request.headers['sec-fetch-site'];
    const origin = request.headers.origin;
    const isApi = request.path === '/api' || request.path.startsWith('/api/');
    const isForeign =
      (site !== undefined && site !== 'same-origin' && site !== 'none') || (origin !== undefined && origin !== own);
    const isOwn = site === undefined ? origin === own : site === 'same-origin' && (origin ?? own) === own;
    const isRead = READS.has(request.method);
    if (isRead ? isApi && isForeign : !isOwn) {
      return refuse(
        request,
        response,
        problem(
          'forbidden',
          403,
          'That request does not come from Retoque’s own pages',
          `Programs send the header “Origin: ${own}” with what changes something.`,
        ),
      );
    }
    next();
  };
}
