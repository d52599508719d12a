import type { LookData } from '@retoque/contract';
import type { Look } from '@retoque/core';
import { useQueryClient } from '@tanstack/react-query';
import { useAddTrial, useChangeComponent } from '../../api/queries';
import { tellProblem } from '../../shell/toasts';
import { useSteady } from '../../shell/useSteady';
import type { LookEditor } from '../look/useLookEditor';
import type { Saving } from '../saving/useAutosave';
import type { Styled } from './useOpened';

/** Other looks of the component: those of the owner's own, and one that another window saved in the meantime. */
export function useRivals(
  { site, component }: Styled,
  look: Look,
  editor: LookEditor,
  save: Saving,
  takeNewer: (newer: LookData) => void,
) {
  const client = useQueryClient();
  const adding = useAddTrial(component.id);
  const changing = useChangeComponent(component.id);
  const mine = look as LookData;
  const refresh = () => void client.invalidateQueries({ queryKey: ['components', site.id] });

  const choose = useSteady((id: string) => changing.mutate({ currentTrialId: id }, { onError: tellProblem }));
  const addAnother = useSteady(() => adding.mutate({ look: mine, makeCurrent: true }, { onError: tellProblem }));

  const load = () => {
    if (save.state.kind !== 'conflict') return;
    const { current } = save.state;
    save.rebase(current, current.look);
    takeNewer(current.look);
    refresh();
  };
  const merge = (merged: LookData) => {
    if (save.state.kind !== 'conflict') return;
    save.rebase(save.state.current, merged);
    editor.replace(merged, 'Together with the other window');
  };
  const keepBoth = () => {
    if (save.state.kind !== 'conflict') return;
    const { current } = save.state;
    adding.mutate(
      { look: mine, makeCurrent: true },
      {
        onSuccess: () => {
          save.rebase(current, current.look);
          refresh();
        },
        onError: tellProblem,
      },
    );
  };

  return { choose, addAnother, load, merge, keepBoth, busy: adding.isPending };
}
