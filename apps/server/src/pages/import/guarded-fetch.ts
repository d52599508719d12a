import dns from 'node:dns';
import net from 'node:net';
import { Agent, buildConnector, request, type Dispatcher } from 'undici';
import { problem, ProblemException } from '../../http/problem.js';
import { isPracticeHost, refusalOf } from './address-policy.js';
import { LIMITS } from './limits.js';

export interface Fetched {
  /** Where it came from after redirects. */
  readonly address: string;
  readonly contentType: string | undefined;
  readonly bytes: Buffer;
}

/** Counts what all files of one import bring together. */
export class ByteBudget {
  private used = 0;

  /** @throws ProblemException once the total is over the bound */
  spend(bytes: number): void {
    this.used += bytes;
    if (this.used > LIMITS.totalBytes) throw tooLarge();
  }
}

export const tooLarge = () =>
  problem(
    'tooLarge',
    413,
    'That page is too large',
    'With its stylesheets, pictures and fonts it has more than 20 MB.',
  );

class RefusedAddressError extends Error {
  constructor(
    readonly host: string,
    readonly reason: string,
  ) {
    super(`${host} is refused: ${reason}`);
  }
}

/** Looks a name up and refuses it when any of its addresses is not public. */
function guardedLookup(
  hostname: string,
  options: dns.LookupOptions,
  callback: (error: Error | null, address: never, family?: number) => void,
): void {
  dns.lookup(hostname, { ...options, all: true }, (error, addresses) => {
    if (error) return callback(error, undefined as never);
    for (const { address } of addresses) {
      const reason = refusalOf(address);
      if (reason) return callback(new RefusedAddressError(hostname, reason), undefined as never);
    }
    if (options.all) return callback(null, addresses as never);
    const [first] = addresses;
    callback(null, first!.address as never, first!.family);
  });
}

/**
 * A dispatcher that connects to public addresses only. Names are judged after resolution, and once more on the address
 * that the socket is really connected to, so that a name that changes its answer gains nothing.
 */
function publicOnly(): Dispatcher {
  const connect = buildConnector({ timeout: LIMITS.fileMillis, lookup: guardedLookup as never });
  return new Agent({
    connect(options, callback) {
      const host = options.hostname.replace(/^\[|\]$/g, '');
      const literal = net.isIP(host) ? refusalOf(host) : undefined;
      if (literal) return callback(new RefusedAddressError(host, literal), null);
      connect(options, (error, socket) => {
        if (error) return callback(error, null);
        const reason = refusalOf(socket.remoteAddress ?? '');
        if (reason) {
          socket.destroy();
          return callback(new RefusedAddressError(host, reason), null);
        }
        callback(null, socket);
      });
    },
  });
}

export interface GuardedFetcher {
  /**
   * Fetches one file, redirects followed and judged anew each time.
   *
   * @throws ProblemException that says what is wrong with the address, the host or the answer
   */
  readonly get: (address: string, budget: ByteBudget, signal: AbortSignal) => Promise<Fetched>;
  readonly close: () => Promise<void>;
}

export function guardedFetcher(practiceOrigin: string | undefined): GuardedFetcher {
  const guarded = publicOnly();
  // The practice host stands on this machine, so it is reached without the guard, at its one origin only.
  const practice = new Agent({ connect: { timeout: LIMITS.fileMillis } });

  const get = async (address: string, budget: ByteBudget, signal: AbortSignal): Promise<Fetched> => {
    let url = new URL(address);
    for (let hop = 0; hop <= LIMITS.redirects; hop++) {
      if (url.protocol !== 'http:' && url.protocol !== 'https:') {
        throw problem(
          'addressRefused',
          422,
          'That address cannot be used',
          `Only http and https are fetched, not ${url.protocol}`,
        );
      }
      const limited = AbortSignal.any([signal, AbortSignal.timeout(LIMITS.fileMillis)]);
      try {
        const response = await request(url, {
          dispatcher: isPracticeHost(url, practiceOrigin) ? practice : guarded,
          signal: limited,
          headers: { 'user-agent': 'Retoque/0.1', accept: '*/*', 'accept-encoding': 'identity' },
        });
        const { location } = response.headers;
        if (response.statusCode >= 300 && response.statusCode < 400 && typeof location === 'string') {
          await response.body.dump();
          url = new URL(location, url);
          continue;
        }
        if (response.statusCode !== 200) {
          await response.body.dump();
          throw problem(
            'unreachable',
            422,
            'That address gave no page',
            `${url.href} answered with status ${response.statusCode}.`,
          );
        }
        const chunks: Buffer[] = [];
        for await (const chunk of response.body as AsyncIterable<Buffer>) {
          budget.spend(chunk.length);
          chunks.push(chunk);
        }
        const type = response.headers['content-type'];
        return { address: url.href, contentType: Array.isArray(type) ? type[0] : type, bytes: Buffer.concat(chunks) };
      } catch (error) {
        throw toProblem(error, url, signal);
      }
    }
    throw problem(
      'unreachable',
      422,
      'That address leads in circles',
      `It redirects more than ${LIMITS.redirects} times.`,
    );
  };

  return {
    get,
    close: async () => {
      await Promise.all([guarded.destroy(), practice.destroy()]);
    },
  };
}

function toProblem(error: unknown, url: URL, outer: AbortSignal): unknown {
  if (error instanceof ProblemException) return error;
  const cause = (error as { cause?: unknown }).cause;
  const refused =
    error instanceof RefusedAddressError ? error : cause instanceof RefusedAddressError ? cause : undefined;
  if (refused) {
    return problem(
      'addressRefused',
      422,
      'That address cannot be fetched from',
      `Retoque fetches public pages only, and ${refused.host} is refused because ${refused.reason}. You can upload the page or paste it instead.`,
    );
  }
  const { name, code } = error as { name?: string; code?: string };
  if (outer.aborted) return outer.reason;
  if (name === 'TimeoutError' || name === 'AbortError' || code?.includes('TIMEOUT')) {
    return problem(
      'tooSlow',
      422,
      'That address takes too long',
      `${url.host} did not answer within ${LIMITS.fileMillis / 1000} seconds. Try again later, or upload the page instead.`,
    );
  }
  return problem(
    'unreachable',
    422,
    'That address cannot be reached',
    code === 'ENOTFOUND' || code === 'EAI_AGAIN'
      ? `There is no host called ${url.hostname}. Look for a slip in the address.`
      : `${url.host} did not answer (${code ?? (error as Error).message}).`,
  );
}
