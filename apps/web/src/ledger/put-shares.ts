import type { LookData } from '@retoque/contract';
import { changeLook, type PlacedColourShare } from '@retoque/core';
import type { QueryClient } from '@tanstack/react-query';
import { openComponent, saveLooks } from '../api/queries';
import { pageOfEdition } from '../engine/engine';

/**
 * Saves shares of components, all or none.
 *
 * @returns what takes them back
 */
export async function putShares(
  client: QueryClient,
  siteId: string,
  shares: readonly PlacedColourShare[],
): Promise<() => Promise<unknown>> {
  const before = new Map<string, LookData>();
  const looks = [];
  for (const { place, name, version, settings } of shares) {
    const { kind, locator } = place;
    const pageId = pageOfEdition(version);
    if (pageId === undefined) throw new Error(`The page of “${name}” is not open any more. Load this page again.`);
    // One that nobody has touched yet is kept from now on.
    const stored = await openComponent({ pageId, kind, name, locator: structuredClone(locator) as never });
    const trial = stored.trials.find(({ id }) => id === stored.currentTrialId)!;
    before.set(trial.id, trial.look);
    looks.push({
      componentId: stored.id,
      trialId: trial.id,
      baseRevision: trial.revision,
      saveId: crypto.randomUUID(),
      look: changeLook(trial.look, settings) as LookData,
    });
  }
  const saved = await saveLooks(client, siteId, looks);
  return () =>
    saveLooks(
      client,
      siteId,
      saved.map(({ componentId, trialId, revision }) => ({
        componentId,
        trialId,
        baseRevision: revision,
        saveId: crypto.randomUUID(),
        look: before.get(trialId)!,
      })),
    );
}
