import { geometryListSchema, type PageGeometry } from '@retoque/contract';
import { queryOptions, type QueryClient } from '@tanstack/react-query';
import { call } from '../api/client';

/** What browsers measured of a page before. */
export const geometryQuery = (pageId: string, edition: string) =>
  queryOptions({
    queryKey: ['geometry', pageId, edition],
    staleTime: Infinity,
    // Nobody waits for it long: without it the page is measured anew.
    retry: false,
    queryFn: ({ signal }) => call(geometryListSchema, `/pages/${pageId}/geometry`, { signal }),
  });

/** Has components counted anew that were counted before where things stand was known; what is shown stays till then. */
export const recount = (client: QueryClient, edition: string): Promise<unknown> =>
  Promise.all(
    [
      ['surveyor', edition],
      ['engine', 'find', edition],
    ].map((queryKey) => client.invalidateQueries({ queryKey })),
  );

/** Has the server keep what was measured of a page; whoever equips a worker afterwards gives it that too. */
export async function putGeometry(
  client: QueryClient,
  pageId: string,
  edition: string,
  measurements: readonly PageGeometry[],
): Promise<void> {
  const body = { edition, measurements };
  const kept = await call(geometryListSchema, `/pages/${pageId}/geometry`, { method: 'PUT', body });
  client.setQueryData(geometryQuery(pageId, edition).queryKey, kept);
}
