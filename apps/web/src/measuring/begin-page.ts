import type { QueryClient } from '@tanstack/react-query';
import { componentQuery, componentsQuery, pageQuery, siteQuery } from '../api/queries';
import { engine, openedQuery } from '../engine/engine';
import { geometryQuery } from './queries';

/**
 * Asks for what every screen of a page needs, and has the worker read the page, while the screen itself is still being
 * loaded. What fails is asked for again by the screen, which says so.
 */
export async function beginPage(client: QueryClient, siteId: string, pageId: string): Promise<void> {
  engine();
  void client.prefetchQuery(siteQuery(siteId));
  void client.prefetchQuery(componentsQuery(siteId));
  await client.prefetchQuery(pageQuery(pageId));
  const page = client.getQueryData(pageQuery(pageId).queryKey);
  if (!page) return;
  void client.prefetchQuery(openedQuery(page));
  void client.prefetchQuery(geometryQuery(pageId, page.version.edition));
}

/** Asks for a component as it is kept now, whatever is known of it: another window may have changed it. */
export function beginComponent(client: QueryClient, componentId: string): void {
  void client.prefetchQuery({ ...componentQuery(componentId), staleTime: 0 });
}
