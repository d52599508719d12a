import type { PageGeometry } from '@retoque/contract';
import type { QueryClient } from '@tanstack/react-query';
import type { Remote } from 'comlink';
import type { Engine } from '../engine/protocol';
import { geometryQuery } from './queries';

/** What was measured of a page before. Without an answer figures are those of the ancestors alone, and say so. */
export const measuredBefore = (
  client: QueryClient,
  pageId: string,
  edition: string,
): Promise<readonly PageGeometry[]> => client.ensureQueryData(geometryQuery(pageId, edition)).catch(() => []);

/** Gives a worker what was measured of a page before, and its pictures; what fails it does without. */
export async function equip(
  client: QueryClient,
  worker: Pick<Remote<Engine>, 'equip'>,
  pageId: string,
  edition: string,
): Promise<void> {
  const geometry = await measuredBefore(client, pageId, edition);
  await worker.equip(edition, geometry).catch(() => undefined);
}
