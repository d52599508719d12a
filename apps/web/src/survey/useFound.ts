import type { Component } from '@retoque/contract';
import { useQuery } from '@tanstack/react-query';
import { engine } from '../engine/engine';

/** The components of a page, with how they fare under the looks that are kept for them. */
export function useFound(versionId: string | undefined, pageId: string, kept: readonly Component[] | undefined) {
  const looks = (kept ?? [])
    .filter((component) => component.pageId === pageId)
    .map((component) => ({
      kind: component.kind,
      locator: component.locator,
      look: component.trials.find((trial) => trial.id === component.currentTrialId)!.look,
    }));
  return useQuery({
    queryKey: ['engine', 'find', versionId, looks],
    enabled: versionId !== undefined && kept !== undefined,
    placeholderData: (previous) => previous,
    queryFn: () => engine().find(versionId!, looks),
  });
}
