import type { PageGeometry } from '@retoque/contract';
import { NO_TALLY } from '@retoque/core';
import type { Remote } from 'comlink';
import type { Engine, FoundWithChecks } from './protocol';

/** Under what the components of a page are kept, with how they fare. */
export const foundKey = (versionId: string | undefined, worn: string | undefined) => [
  'engine',
  'find',
  versionId,
  worn,
];

/** What is not done after this is shown as far as it is. */
const PATIENCE_MILLIS = 700;

/**
 * Finds the components of a page by what was measured of it before, and counts how they fare, a few at a time, so that
 * whoever asks for something else meanwhile is answered, and what nobody waits for any longer is left.
 *
 * @param onSome told what is known so far, where it takes a while
 */
export async function findComponents(
  worker: Pick<Remote<Engine>, 'list' | 'count'>,
  versionId: string,
  measured: readonly PageGeometry[],
  signal: AbortSignal,
  onSome?: (found: FoundWithChecks[]) => void,
): Promise<FoundWithChecks[]> {
  const begun = Date.now();
  const listed = await worker.list(versionId, measured);
  const found: FoundWithChecks[] = listed.map((component) => ({ ...component, ...NO_TALLY, counted: false }));
  const tell = (at: number) => {
    if (onSome && at < found.length && Date.now() - begun > PATIENCE_MILLIS) onSome([...found]);
  };
  tell(0);
  for (let at = 0; at < found.length;) {
    signal.throwIfAborted();
    const counts = await worker.count(versionId, at);
    for (const count of counts) {
      found[at] = { ...found[at]!, ...count, counted: true };
      at++;
    }
    tell(at);
  }
  return found;
}
