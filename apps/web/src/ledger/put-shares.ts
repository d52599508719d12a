import { currentTrial, type Component, type LookData, type Trial } from '@retoque/contract';
import { changeLook, followFinish, type ComponentPlace, type Exception, type Look, type Setting } from '@retoque/core';
import type { QueryClient } from '@tanstack/react-query';
import { openComponent, saveLooks } from '../api/queries';
import { pageOfEdition } from '../engine/engine';

/** What is set in the look of a component on a page. */
export interface Share {
  readonly place: ComponentPlace;
  readonly name: string;
  readonly version: string;
  readonly settings: readonly Setting[];
  readonly exceptions?: readonly Exception[];
  /** The finish that it follows from now on; `settings` are then those that it has besides. */
  readonly finish?: { readonly id: string; readonly look: Look } | undefined;
}

/** A look that takes the place of a version's. */
export interface ChangedLook {
  readonly componentId: string;
  readonly trial: Trial;
  readonly look: LookData;
}

/**
 * Saves looks, all or none.
 *
 * @returns what takes them back
 */
export async function saveChanged(
  client: QueryClient,
  siteId: string,
  changed: readonly ChangedLook[],
): Promise<() => Promise<unknown>> {
  if (!changed.length) return () => Promise.resolve();
  const before = new Map(changed.map(({ trial }) => [trial.id, trial.look]));
  const saved = await saveLooks(
    client,
    siteId,
    changed.map(({ componentId, trial, look }) => ({
      componentId,
      trialId: trial.id,
      baseRevision: trial.revision,
      saveId: crypto.randomUUID(),
      look,
    })),
  );
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

/**
 * Saves shares of components, all or none.
 *
 * @returns what takes them back
 */
export async function putShares(
  client: QueryClient,
  siteId: string,
  shares: readonly Share[],
): Promise<() => Promise<unknown>> {
  const changed: ChangedLook[] = [];
  for (const { place, name, version, settings, exceptions = [], finish } of shares) {
    const { kind, locator } = place;
    const pageId = pageOfEdition(version);
    if (pageId === undefined) throw new Error(`The page of “${name}” is not open any more. Load this page again.`);
    // One that nobody has touched yet is kept from now on.
    const stored: Component = await openComponent({ pageId, kind, name, locator: structuredClone(locator) as never });
    const trial = currentTrial(stored);
    const base = finish ? followFinish(trial.look, finish.id, finish.look) : trial.look;
    const look = { ...base, exceptions: [...base.exceptions, ...exceptions] };
    changed.push({ componentId: stored.id, trial, look: changeLook(look, settings) as LookData });
  }
  return saveChanged(client, siteId, changed);
}
