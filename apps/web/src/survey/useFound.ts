import type { Component } from '@retoque/contract';
import type { ViewportBounds } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { engine } from '../engine/engine';
import { equip } from '../measuring/equip';
import { keptLooks } from '../style/kept';

/** The components of a page, with how they fare under the looks that are kept for them. */
export function useFound(
  versionId: string | undefined,
  pageId: string,
  bounds: ViewportBounds | undefined,
  kept: readonly Component[] | undefined,
) {
  const looks = keptLooks(kept ?? []);
  return useQuery({
    queryKey: ['engine', 'find', versionId, looks, bounds],
    enabled: versionId !== undefined && kept !== undefined && bounds !== undefined,
    placeholderData: (previous) => previous,
    queryFn: async () => {
      await equip(engine(), pageId, versionId!);
      return engine().find(versionId!, pageId, bounds!, looks);
    },
  });
}
