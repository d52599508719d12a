import type { LookData, Trial } from '@retoque/contract';
import type { Look } from '@retoque/core';
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { namedSince, type History } from '../look/history';
import { saveLook } from '../../api/queries';
import { LookSaver, type SaveState } from './look-saver';
import type { Shelf } from './unsaved';

const KEEP_MILLIS = 150;

/**
 * Saves the look in hand while the screen is open, keeps in the browser what is not saved yet, and sends it when the
 * connection is back or the screen is left.
 *
 * @param held true while nothing is sent, since the owner is still asked
 * @param shelf holds what this window could not send before; that edit goes on as the edit of its own base
 * @param onNewer told the look that was saved since over an edit whose answer was lost; it must stay the same function
 */
export function useAutosave(
  componentId: string,
  trial: Trial,
  history: History,
  held: boolean,
  shelf: Shelf,
  onNewer: (look: LookData) => void,
) {
  const look = history.present as LookData;
  const done = useRef(history);
  useLayoutEffect(() => {
    done.current = history;
  }, [history]);
  const [saver] = useState(
    () =>
      new LookSaver({
        trial,
        look,
        shelf,
        save: (save) => saveLook(componentId, trial.id, save),
        onState: (next) => setState(next),
        nameStep: (base) => base && namedSince(done.current, base as Look),
        onNewer,
      }),
  );
  const [state, setState] = useState<SaveState>(saver.state);

  useEffect(() => {
    saver.hold(held);
    saver.edit(look);
    // Not between a keystroke and what it shows: writing takes the browser a while.
    const keeping = setTimeout(() => saver.keep(), KEEP_MILLIS);
    return () => clearTimeout(keeping);
  }, [look, held, saver]);

  useEffect(() => {
    const keep = () => saver.keep();
    const hidden = () => {
      if (document.visibilityState === 'hidden') keep();
    };
    const send = () => void saver.send();
    window.addEventListener('pagehide', keep);
    document.addEventListener('visibilitychange', hidden);
    window.addEventListener('online', send);
    return () => {
      window.removeEventListener('pagehide', keep);
      document.removeEventListener('visibilitychange', hidden);
      window.removeEventListener('online', send);
      // Leaving the screen sends at once what is left.
      send();
    };
  }, [saver]);

  return { state, retry: () => void saver.send(), rebase: saver.rebase.bind(saver) };
}

export type Saving = ReturnType<typeof useAutosave>;
