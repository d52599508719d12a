import type { Trial } from '@retoque/contract';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { lookHistoryQuery } from '../../api/queries';
import { sameLook } from '../saving/unsaved';
import type { LookEditor } from '../look/useLookEditor';

/** Takes up the steps of earlier sittings once they are there; until then, and without them, one goes on all the same. */
export function useEarlierSteps(componentId: string, trial: Trial, editor: LookEditor): void {
  const { data } = useQuery(lookHistoryQuery(componentId, trial.id, trial.revision));
  const taken = useRef(false);
  const opened = useRef(editor.look);
  const { remember } = editor;
  useEffect(() => {
    if (!data || taken.current) return;
    taken.current = true;
    const present = opened.current;
    const isSaved = sameLook(present as Trial['look'], trial.look);
    void import('../look/earlier-steps').then(({ earlierSteps }) =>
      remember(earlierSteps(data, isSaved ? undefined : present)),
    );
  }, [data, remember, trial.look]);
}
