import { describe, expect, it } from '@jest/globals';
import { isLostConnection } from './lost-connection.js';

const coded = (code: string, message = 'x') => Object.assign(new Error(message), { code });

// Words of pg 8's client and pool, as its sources have them; codes of PostgreSQL's manual, appendix A, and of Node's errors.
describe('a lost connection', () => {
  it.each([
    coded('57P01', 'terminating connection due to administrator command'),
    coded('08006'),
    coded('ECONNRESET'),
    coded('ERR_STREAM_DESTROYED'),
    coded('ENOTCONN'),
    coded('ERR_STREAM_PREMATURE_CLOSE'),
    new Error('Connection terminated unexpectedly'),
    new Error('Client has encountered a connection error and is not queryable'),
    new Error('Client was closed and is not queryable'),
    new Error('Received unexpected commandComplete message from backend.'),
    new Error('Failed query: insert', { cause: new Error('Connection terminated') }),
    new AggregateError([coded('ECONNREFUSED')], 'all failed'),
  ])('is told by %s', (error) => expect(isLostConnection(error)).toBe(true));

  it.each([
    coded('23505', 'duplicate key'),
    coded('42601', 'syntax error'),
    new Error('x'),
    'Connection terminated',
    undefined,
  ])('is not what %s says', (error) => expect(isLostConnection(error)).toBe(false));
});
