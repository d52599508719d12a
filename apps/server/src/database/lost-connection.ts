/** What the driver and the system say of a connection that is gone or cannot be had. */
const CODES = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'ENOTFOUND',
  'ECONNABORTED',
  'EHOSTUNREACH',
  'ENETUNREACH',
  'ENOTCONN',
  'ECANCELED',
  'ERR_SOCKET_CLOSED',
  'ERR_STREAM_PREMATURE_CLOSE',
  'ERR_STREAM_DESTROYED',
  'ERR_STREAM_WRITE_AFTER_END',
  // PostgreSQL, appendix A: shutdown of the server, crash, still starting, too many connections.
  '57P01',
  '57P02',
  '57P03',
  '53300',
]);
const WORDS = [
  'Connection terminated',
  'timeout exceeded when trying to connect',
  'Client has encountered a connection error',
  'Client was closed',
  'Query read timeout',
  // What is left of an answer when its connection was cut off.
  'Received unexpected',
  'Cannot use a pool after calling end',
];

/** Whether an error, or what caused it, says that the database was not to be reached, and not that a statement was wrong. */
export function isLostConnection(error: unknown): boolean {
  for (let at: unknown = error, steps = 0; at instanceof Error && steps < 8; at = at.cause, steps++) {
    const { code } = at as { code?: unknown };
    // Class 08 is "connection exception".
    if (typeof code === 'string' && (CODES.has(code) || code.startsWith('08'))) return true;
    const { message } = at;
    if (WORDS.some((words) => message.startsWith(words))) return true;
    if (at instanceof AggregateError && at.errors.some(isLostConnection)) return true;
  }
  return false;
}
