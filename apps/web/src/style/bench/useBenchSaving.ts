import type { LookData, Trial } from '@retoque/contract';
import type { Look } from '@retoque/core';
import type { ComponentRef } from '../../engine/protocol';
import type { LookEditor } from '../look/useLookEditor';
import { useReach } from '../reach/useReach';
import { useAutosave } from '../saving/useAutosave';
import type { Shelf } from '../saving/unsaved';
import { useEarlierSteps } from './useEarlierSteps';
import type { Styled } from './useOpened';
import { useRivals } from './useRivals';

/**
 * Where the look in hand holds, whether it is safe, and what there is beside it.
 *
 * @param pending how many pages of the site are not looked at yet
 */
export function useBenchSaving(
  styled: Styled,
  { trial, look, editor, shelf }: { trial: Trial; look: Look; editor: LookEditor; shelf: Shelf },
  component: ComponentRef | undefined,
  pending: number,
  takeNewer: (newer: LookData) => void,
) {
  const isNew = trial.look.settings.length === 0;
  const { pages } = styled.site;
  const reaching = useReach(pages, component, look, isNew, pages.length > 1 ? pending : undefined);
  const save = useAutosave(styled.component.id, trial, editor.history, reaching.held, shelf, takeNewer);
  useEarlierSteps(styled.component.id, trial, editor);
  const rivals = useRivals(styled, look, editor, save, takeNewer);
  return { reaching, save, rivals };
}
