import { trialSchema, type LookData, type Trial } from '@retoque/contract';
import { useCallback, useEffect, useRef, useState } from 'react';
import { ProblemError } from '../api/client';
import { saveLook } from '../api/queries';
import { sameLook, type Shelf } from './unsaved';

/** What a conflict is about: the newer look, and the one that both it and the edit here were made from. */
export interface Rival {
  readonly current: Trial;
  readonly base: LookData | undefined;
}

export type SaveState =
  | { readonly kind: 'saved'; readonly at: Date }
  | { readonly kind: 'saving' }
  /** No answer from the server; the edit is kept and sent again by itself. */
  | { readonly kind: 'waiting'; readonly message: string }
  /** The server cannot take it, now or later; it is kept here, and sent again once it is another. */
  | { readonly kind: 'refused'; readonly message: string }
  | ({ readonly kind: 'conflict' } & Rival);

const PAUSE_MILLIS = 500;
const KEEP_MILLIS = 150;
const FIRST_RETRY_MILLIS = 1500;
const LONGEST_RETRY_MILLIS = 20_000;
const TOO_MANY = 429;

/** The look in hand, and the stored one that it was made from; its revision is the one that it was made on. */
interface Latest {
  readonly look: LookData;
  readonly revision: number;
  readonly saved: LookData | undefined;
}

const isSaved = ({ look, saved }: Latest) => saved !== undefined && sameLook(look, saved);

/**
 * Saves a look a moment after it changes, on the revision it was made on. One save at a time; a lost answer is retried
 * with the same save id, so it can never be a conflict with itself.
 *
 * @param shelf holds what this window could not send before; that edit goes on as the edit of its own base
 * @param onNewer told the look that was saved since over an edit whose answer was lost; it must stay the same function
 */
export function useAutosave(
  componentId: string,
  trial: Trial,
  look: LookData,
  shelf: Shelf,
  onNewer: (look: LookData) => void,
) {
  const [state, setState] = useState<SaveState>({ kind: 'saved', at: new Date(trial.updatedAt) });
  const [start] = useState((): Latest => {
    const left = shelf.read();
    return left
      ? { look: left.look, revision: left.baseRevision, saved: left.base }
      : { look, revision: trial.revision, saved: trial.look };
  });
  const latest = useRef(start);
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const sending = useRef(false);
  const conflicted = useRef(false);
  const delay = useRef(FIRST_RETRY_MILLIS);

  /** What would be sent now; an edit that was sent before goes under the id that it had. */
  const pending = useCallback(() => {
    const { look: mine, revision: baseRevision, saved: base } = latest.current;
    const before = shelf.read();
    const again = before && before.baseRevision === baseRevision && sameLook(before.look, mine);
    return again ? before : { baseRevision, base, saveId: crypto.randomUUID(), look: mine };
  }, [shelf]);

  const send = useCallback(async () => {
    if (sending.current || conflicted.current) return;
    const kept = latest.current;
    if (isSaved(kept)) {
      shelf.drop();
      setState((now) => (now.kind === 'saved' ? now : { kind: 'saved', at: new Date() }));
      return;
    }
    sending.current = true;
    setState({ kind: 'saving' });
    const unsaved = pending();
    shelf.write(unsaved);
    const { base, ...save } = unsaved;
    let retryIn: number | undefined;
    try {
      const saved = await saveLook(componentId, trial.id, save);
      const { newer } = saved;
      const isInHand = sameLook(latest.current.look, save.look);
      latest.current = { ...latest.current, revision: saved.revision, saved: save.look };
      delay.current = FIRST_RETRY_MILLIS;
      if (newer && !isInHand) {
        conflicted.current = true;
        setState({ kind: 'conflict', current: newer, base: save.look });
        return;
      }
      if (newer) {
        latest.current = { look: newer.look, revision: newer.revision, saved: newer.look };
        onNewer(newer.look);
      }
      setState({ kind: 'saved', at: new Date(newer?.updatedAt ?? saved.savedAt) });
      if (isSaved(latest.current)) shelf.drop();
      else retryIn = 0;
    } catch (error) {
      const problem = error instanceof ProblemError ? error.problem : undefined;
      if (problem?.status === 409) {
        conflicted.current = true;
        const current = trialSchema.parse(((error as ProblemError).body as { current: unknown }).current);
        setState({ kind: 'conflict', current, base });
      } else if (problem && problem.status < 500 && problem.status !== TOO_MANY) {
        setState({ kind: 'refused', message: (error as ProblemError).message });
      } else {
        retryIn = delay.current;
        delay.current = Math.min(delay.current * 2, LONGEST_RETRY_MILLIS);
        setState({ kind: 'waiting', message: error instanceof Error ? error.message : 'The server does not answer.' });
      }
    } finally {
      sending.current = false;
    }
    if (retryIn !== undefined) timer.current = setTimeout(() => void send(), retryIn);
  }, [componentId, trial.id, shelf, pending, onNewer]);

  /** Keeps in the browser what the server does not have yet. */
  const keep = useCallback(() => {
    if (!isSaved(latest.current)) shelf.write(pending());
    else if (!sending.current) shelf.drop();
  }, [shelf, pending]);

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

  /**
   * Goes on from the newer look.
   *
   * @param next what is in hand from now on: the newer look itself, or an edit of it
   */
  const rebase = useCallback(
    (current: Trial, next: LookData) => {
      latest.current = { look: next, revision: current.revision, saved: current.look };
      conflicted.current = false;
      if (isSaved(latest.current)) {
        shelf.drop();
        setState({ kind: 'saved', at: new Date(current.updatedAt) });
      } else {
        shelf.write(pending());
        setState({ kind: 'saving' });
      }
    },
    [shelf, pending],
  );

  return { state, retry: send, rebase };
}
