import { geometryListSchema, type PageGeometry } from '@retoque/contract';
import type { QueryClient } from '@tanstack/react-query';
import { call } from '../api/client';

/** What browsers measured of a page before. */
export const geometryQuery = (pageId: string, edition: string) => ({
  queryKey: ['geometry', pageId, edition],
  staleTime: Infinity,
  queryFn: ({ signal }: { signal: AbortSignal }) => call(geometryListSchema, `/pages/${pageId}/geometry`, { signal }),
});

/** Has components counted anew that were counted before where things stand was known; what is shown stays till then. */
export const recount = (client: QueryClient, edition: string): Promise<unknown> =>
  Promise.all(
    [
      ['surveyor', edition],
      ['engine', 'find', edition],
    ].map((queryKey) => client.invalidateQueries({ queryKey })),
  );

export const putGeometry = (pageId: string, edition: string, measurements: readonly PageGeometry[]) =>
  call(geometryListSchema, `/pages/${pageId}/geometry`, { method: 'PUT', body: { edition, measurements } });
