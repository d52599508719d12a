import type { Component, Site } from '@retoque/contract';
import type { SiteHandover } from '@retoque/core';
import { useQueries, useQuery } from '@tanstack/react-query';
import { pageQuery } from '../api/queries';
import { engine, enginePage } from '../engine/engine';
import { useProgress } from '../engine/useProgress';
import { tellWorn, wornKey } from '../engine/worn';
import { useSiteFiles } from '../style/site/useSiteFiles';

/**
 * The CSS of a site with its proof on every page, worked out in the worker.
 *
 * @param chosen components whose looks go along
 */
export function useHandover(
  siteId: string,
  site: Site | undefined,
  components: readonly Component[] | undefined,
  chosen: readonly Component[],
) {
  const { progress, begin } = useProgress();
  const files = useSiteFiles(siteId);
  const pages = useQueries({ queries: (site?.pages ?? []).map(({ id }) => pageQuery(id)) });
  const loaded = pages.flatMap(({ data }) => data ?? []);
  const editions = loaded.map(({ version }) => version.edition);
  const isReady = site !== undefined && components !== undefined && loaded.length === site.pages.length;
  const handover = useQuery<SiteHandover>({
    queryKey: [
      'engine',
      'handover',
      editions,
      isReady && wornKey({ ...site, components }),
      chosen.map(({ id }) => id),
      files,
    ],
    enabled: isReady && files !== undefined,
    retry: false,
    queryFn: async ({ signal }) => {
      tellWorn(engine(), { ...site!, siteId: site!.id, components: components! });
      for (const page of loaded) await engine().open(enginePage(page));
      const ids = chosen.map(({ id }) => id);
      return engine().handover(site!.id, editions, ids, begin(signal));
    },
  });
  return { handover, progress, error: pages.find(({ error }) => error)?.error ?? handover.error };
}
