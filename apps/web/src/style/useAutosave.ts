import { trialSchema, type LookData, type Trial } from '@retoque/contract';
import { useCallback, useEffect, useRef, useState } from 'react';
import { ProblemError } from '../api/client';
import { saveLook } from '../api/queries';
import { dropUnsaved, readUnsaved, sameLook, writeUnsaved } from './unsaved';

export type SaveState =
  | { readonly kind: 'saved'; readonly at: Date }
  | { readonly kind: 'saving' }
  /** No answer from the server; the edit is kept and sent again by itself. */
  | { readonly kind: 'waiting'; readonly message: string }
  | { readonly kind: 'refused'; readonly message: string }
  | { readonly kind: 'conflict'; readonly current: Trial };

const PAUSE_MILLIS = 500;
const KEEP_MILLIS = 150;
const FIRST_RETRY_MILLIS = 1500;
const LONGEST_RETRY_MILLIS = 20_000;

/**
 * Saves a look a moment after it changes, on the revision it was made on. One save at a time; a lost answer is retried
 * with the same save id, so it can never be a conflict with itself.
 */
export function useAutosave(componentId: string, trial: Trial, look: LookData) {
  const [state, setState] = useState<SaveState>({ kind: 'saved', at: new Date(trial.updatedAt) });
  const [revision, setRevision] = useState(trial.revision);
  const latest = useRef({ look, revision: trial.revision, saved: trial.look });
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const sending = useRef(false);
  const conflicted = useRef(false);
  const delay = useRef(FIRST_RETRY_MILLIS);

  const send = useCallback(async () => {
    if (sending.current || conflicted.current) return;
    const kept = latest.current;
    if (sameLook(kept.look, kept.saved)) {
      dropUnsaved(trial.id);
      setState((now) => (now.kind === 'saved' ? now : { kind: 'saved', at: new Date() }));
      return;
    }
    sending.current = true;
    setState({ kind: 'saving' });
    const before = readUnsaved(trial.id);
    const again = before && before.baseRevision === kept.revision && sameLook(before.look, kept.look);
    const save = { baseRevision: kept.revision, saveId: again ? before.saveId : crypto.randomUUID(), look: kept.look };
    writeUnsaved(trial.id, save);
    let retryIn: number | undefined;
    try {
      const saved = await saveLook(componentId, trial.id, save);
      latest.current = { ...latest.current, revision: saved.revision, saved: save.look };
      delay.current = FIRST_RETRY_MILLIS;
      setRevision(saved.revision);
      setState({ kind: 'saved', at: new Date(saved.savedAt) });
      if (sameLook(latest.current.look, save.look)) dropUnsaved(trial.id);
      else retryIn = 0;
    } catch (error) {
      if (error instanceof ProblemError && error.problem.status === 409) {
        conflicted.current = true;
        const current = trialSchema.parse((error.body as { current: unknown }).current);
        setState({ kind: 'conflict', current });
      } else if (error instanceof ProblemError && error.problem.status < 500) {
        setState({ kind: 'refused', message: error.message });
      } else {
        retryIn = delay.current;
        delay.current = Math.min(delay.current * 2, LONGEST_RETRY_MILLIS);
        setState({ kind: 'waiting', message: error instanceof Error ? error.message : 'The server does not answer.' });
      }
    } finally {
      sending.current = false;
    }
    if (retryIn !== undefined) timer.current = setTimeout(() => void send(), retryIn);
  }, [componentId, trial.id]);

  /** Keeps in the browser what the server does not have yet. */
  const keep = useCallback(() => {
    const { revision: baseRevision, look: mine, saved } = latest.current;
    if (sameLook(mine, saved)) {
      if (!sending.current) dropUnsaved(trial.id);
      return;
    }
    const before = readUnsaved(trial.id);
    if (!before || !sameLook(before.look, mine)) {
      writeUnsaved(trial.id, { baseRevision, saveId: crypto.randomUUID(), look: mine });
    }
  }, [trial.id]);

  useEffect(() => {
    latest.current = { ...latest.current, look };
    // What was not sent yet is not said to be safe.
    if (look !== latest.current.saved) setState((now) => (now.kind === 'saved' ? { kind: 'saving' } : now));
    // Not between a keystroke and what it shows: writing takes the browser a while.
    const keeping = setTimeout(keep, KEEP_MILLIS);
    clearTimeout(timer.current);
    timer.current = setTimeout(() => void send(), PAUSE_MILLIS);
    return () => clearTimeout(keeping);
  }, [look, keep, send]);

  useEffect(() => {
    const hidden = () => {
      if (document.visibilityState === 'hidden') keep();
    };
    window.addEventListener('pagehide', keep);
    document.addEventListener('visibilitychange', hidden);
    return () => {
      window.removeEventListener('pagehide', keep);
      document.removeEventListener('visibilitychange', hidden);
    };
  }, [keep]);

  useEffect(() => {
    const online = () => {
      clearTimeout(timer.current);
      void send();
    };
    window.addEventListener('online', online);
    return () => {
      window.removeEventListener('online', online);
      // Leaving the screen sends at once what is left.
      clearTimeout(timer.current);
      void send();
    };
  }, [send]);

  /** Takes the newer look from the server as the base of what follows. */
  const rebase = useCallback(
    (current: Trial) => {
      latest.current = { look: current.look, revision: current.revision, saved: current.look };
      conflicted.current = false;
      dropUnsaved(trial.id);
      setRevision(current.revision);
      setState({ kind: 'saved', at: new Date(current.updatedAt) });
    },
    [trial.id],
  );

  return { state, revision, retry: send, rebase };
}
