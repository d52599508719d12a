import type { Remote } from 'comlink';
import type { Engine } from '../engine/protocol';
import { geometryQuery } from './queries';

/** Gives a worker what was measured of a page before, and its pictures; without an answer it does without. */
export async function equip(worker: Remote<Engine>, pageId: string, edition: string): Promise<void> {
  try {
    const { queryFn } = geometryQuery(pageId, edition);
    await worker.equip(edition, await queryFn({ signal: new AbortController().signal }));
  } catch {
    // The figures are then those of the ancestors alone, and say so.
  }
}
