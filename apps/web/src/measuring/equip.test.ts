import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { QueryClient } from '@tanstack/react-query';
import { equip, measuredBefore } from './equip';
import { putGeometry } from './queries';

const GEOMETRY = { viewport: { width: 1280, height: 800 }, elements: { body: { box: [0, 0, 1280, 800] } } };

/** Answers of the server, one after the other. */
function serverWith(...answers: (unknown[] | undefined)[]) {
  const asked: string[] = [];
  jest.spyOn(globalThis, 'fetch').mockImplementation((address, init) => {
    asked.push(`${init?.method ?? 'GET'} ${String(address)}`);
    const answer = answers.shift();
    return answer ? Promise.resolve(Response.json(answer)) : Promise.reject(new TypeError('no connection'));
  });
  return asked;
}
const client = () => new QueryClient({ defaultOptions: { queries: { retry: 3 } } });

afterEach(() => void jest.restoreAllMocks());

describe('what was measured of a page before', () => {
  it('is asked for once, and is with it what was measured since', async () => {
    const queries = client();
    const asked = serverWith([], [GEOMETRY]);
    expect(await measuredBefore(queries, 'p', 'v')).toEqual([]);
    expect(await measuredBefore(queries, 'p', 'v')).toEqual([]);
    await putGeometry(queries, 'p', 'v', [GEOMETRY as never]);
    expect(await measuredBefore(queries, 'p', 'v')).toMatchObject([GEOMETRY]);
    expect(asked).toEqual(['GET /api/pages/p/geometry', 'PUT /api/pages/p/geometry']);
  });

  it('is nothing at once where the server does not answer, and is asked for again with the next need', async () => {
    const queries = client();
    const asked = serverWith(undefined, [GEOMETRY]);
    expect(await measuredBefore(queries, 'p', 'v')).toEqual([]);
    expect(asked).toHaveLength(1);
    expect(await measuredBefore(queries, 'p', 'v')).toMatchObject([GEOMETRY]);
  });

  it('is given to a worker, which may do without', async () => {
    serverWith([GEOMETRY]);
    const given: unknown[] = [];
    const worker = {
      equip: (...told: unknown[]) => (given.push(told), Promise.reject(new Error('This page is not open yet.'))),
    };
    await equip(client(), worker as never, 'p', 'v');
    expect(given).toMatchObject([['v', [GEOMETRY]]]);
  });
});
