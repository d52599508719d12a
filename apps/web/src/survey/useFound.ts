import type { Component } from '@retoque/contract';
import type { ViewportBounds } from '@retoque/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { engine } from '../engine/engine';
import { findComponents } from '../engine/find-components';
import type { FoundWithChecks } from '../engine/protocol';
import { equip } from '../measuring/equip';
import { keptLooks } from '../style/kept';

/** The components of a page, with how they fare under the looks that are kept for them, as far as that is counted. */
export function useFound(
  versionId: string | undefined,
  pageId: string,
  bounds: ViewportBounds | undefined,
  kept: readonly Component[] | undefined,
) {
  const client = useQueryClient();
  const looks = keptLooks(kept ?? []);
  const queryKey = ['engine', 'find', versionId, looks, bounds];
  return useQuery<FoundWithChecks[]>({
    queryKey,
    enabled: versionId !== undefined && kept !== undefined && bounds !== undefined,
    placeholderData: (previous) => previous,
    queryFn: async ({ signal }) => {
      await equip(engine(), pageId, versionId!);
      const query = { versionId: versionId!, pageId, bounds: bounds!, looks };
      return findComponents(engine(), query, signal, (found) => client.setQueryData(queryKey, found));
    },
  });
}
