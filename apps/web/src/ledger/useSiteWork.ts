import type { Site } from '@retoque/contract';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { componentsNow, pageQuery } from '../api/queries';
import { siteAssetsQuery } from '../assets/queries';
import { surveyEngine } from '../engine/engine';
import { openPages } from '../engine/open-pages';
import type { OnStep, SitePages } from '../engine/protocol';
import { useProgress } from '../engine/useProgress';
import { tellWorn, wornKey } from '../engine/worn';
import { tellFiles } from '../engine/tell-files';
import { equip } from '../measuring/equip';

/** The pages of a site as the second worker has them, with what they wear; and what its answers depend on. */
export function useSitePages(site: Site) {
  const client = useQueryClient();
  const components = useQuery(componentsNow(site.id));
  const kept = components.isFetching ? undefined : components.data;
  const worn = kept && wornKey({ ...site, components: kept });
  const opened = useQuery({
    queryKey: ['surveyor', 'pages', site.id, site.pages.map(({ id, versionNumber }) => `${id} ${versionNumber}`), worn],
    enabled: kept !== undefined,
    retry: false,
    // A page may have been changed since.
    staleTime: 0,
    queryFn: async (): Promise<SitePages> => {
      tellWorn(surveyEngine(), { ...site, siteId: site.id, components: kept! });
      await openPages(client, site.pages);
      await tellFiles(surveyEngine(), await client.ensureQueryData(siteAssetsQuery(site.id)));
      const versions: string[] = [];
      for (const { id } of site.pages) {
        const { edition } = (await client.ensureQueryData(pageQuery(id))).version;
        await equip(client, surveyEngine(), id, edition);
        versions.push(edition);
      }
      return { siteId: site.id, versions, worn: worn! };
    },
  });
  const error = components.error ?? opened.error;
  return { at: kept ? opened.data : undefined, worn, components: kept, error };
}

/** Long work of the second worker over the pages of a site: with progress, and left as soon as nobody waits for it. */
export function useSiteWork<T>(
  key: readonly unknown[],
  at: SitePages | undefined,
  work: (at: SitePages, onStep: OnStep) => Promise<T>,
) {
  const { progress, begin } = useProgress();
  const answer = useQuery<T>({
    queryKey: ['surveyor', ...key, at],
    enabled: at !== undefined,
    retry: false,
    staleTime: Infinity,
    queryFn: ({ signal }) => work(at!, begin(signal)),
  });
  return { ...answer, progress };
}
