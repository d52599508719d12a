import type { LookRevision } from '@retoque/contract';
import type { Look } from '@retoque/core';
import type { Step } from './history';

/**
 * Steps between the revisions of a look, the oldest first.
 *
 * @param revisions the newest first
 * @param present what is in hand where it is not what was saved last: an edit that did not reach the server
 */
export function earlierSteps(revisions: readonly LookRevision[], present?: Look): Step[] {
  const oldestFirst = [...revisions].reverse();
  const steps = oldestFirst
    .slice(1)
    .map(({ step, savedAt }, i): Step => ({ look: oldestFirst[i]!.look as Look, name: step ?? 'Change', savedAt }));
  const last = oldestFirst.at(-1);
  if (!present || !last) return steps;
  return [...steps, { look: last.look as Look, name: 'Not saved when it was closed', savedAt: last.savedAt }];
}
