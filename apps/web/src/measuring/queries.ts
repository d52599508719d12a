import { geometryListSchema, type PageGeometry } from '@retoque/contract';
import { call } from '../api/client';

/** What browsers measured of a page before. */
export const geometryQuery = (pageId: string, edition: string) => ({
  queryKey: ['geometry', pageId, edition],
  staleTime: Infinity,
  queryFn: ({ signal }: { signal: AbortSignal }) => call(geometryListSchema, `/pages/${pageId}/geometry`, { signal }),
});

export const putGeometry = (pageId: string, edition: string, measurements: readonly PageGeometry[]) =>
  call(geometryListSchema, `/pages/${pageId}/geometry`, { method: 'PUT', body: { edition, measurements } });
