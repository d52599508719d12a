import type { PageSummary } from '@retoque/contract';
import type { QueryClient } from '@tanstack/react-query';
import { pageQuery } from '../api/queries';
import { enginePage, surveyEngine } from './engine';

/** Has the second worker know all pages of a site, those that nobody has opened yet among them. */
export async function openPages(client: QueryClient, pages: readonly Pick<PageSummary, 'id'>[]): Promise<void> {
  for (const { id } of pages) await surveyEngine().open(enginePage(await client.ensureQueryData(pageQuery(id))));
}
