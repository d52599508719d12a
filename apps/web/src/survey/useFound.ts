import type { Component, Site } from '@retoque/contract';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { engine } from '../engine/engine';
import { findComponents, foundKey } from '../engine/find-components';
import type { FoundWithChecks } from '../engine/protocol';
import { tellWorn, wornKey } from '../engine/worn';
import { measuredBefore } from '../measuring/equip';
import { whenIdle } from '../shell/when-idle';

/** The components of a page, with how they fare under the looks that are worn, as far as that is counted. */
export function useFound(
  siteId: string,
  versionId: string | undefined,
  pageId: string,
  site: Pick<Site, 'bounds' | 'palette' | 'finishes'> | undefined,
  components: readonly Component[] | undefined,
) {
  const client = useQueryClient();
  const queryKey = foundKey(versionId, site && components && wornKey({ ...site, components }));
  return useQuery<FoundWithChecks[]>({
    queryKey,
    enabled: versionId !== undefined && components !== undefined && site !== undefined,
    placeholderData: (previous) => previous,
    queryFn: async ({ signal }) => {
      tellWorn(engine(), { ...site!, siteId, components: components! });
      const measured = await measuredBefore(client, pageId, versionId!);
      const tell = (some: FoundWithChecks[]) => client.setQueryData(queryKey, some);
      const found = await findComponents(engine(), versionId!, measured, signal, tell);
      // One of them is opened next, most likely.
      whenIdle(() => {
        void engine().warm(versionId!);
        void import('../style/StyleScreen');
      });
      return found;
    },
  });
}
