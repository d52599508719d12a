import type { Look } from '@retoque/core';

/** Looks before, now and after; pure, so that undoing is as sure as doing. */
export interface History {
  readonly past: readonly Look[];
  readonly present: Look;
  readonly future: readonly Look[];
  /** The gesture that made the present; further changes of the same gesture are one step with it. */
  readonly gesture: string | undefined;
}

export type HistoryAction =
  | { readonly type: 'change'; readonly look: Look; readonly gesture?: string | undefined }
  | { readonly type: 'undo' }
  | { readonly type: 'redo' }
  /** Another look is loaded from outside: what came before is not this look's past. */
  | { readonly type: 'load'; readonly look: Look };

const MAX_STEPS = 300;

export const startHistory = (look: Look): History => ({ past: [], present: look, future: [], gesture: undefined });

export function historyReducer(history: History, action: HistoryAction): History {
  const { past, present, future, gesture } = history;
  switch (action.type) {
    case 'change': {
      if (action.look === present) return history;
      const sameGesture = action.gesture !== undefined && action.gesture === gesture;
      return {
        past: sameGesture ? past : [...past, present].slice(-MAX_STEPS),
        present: action.look,
        future: [],
        gesture: action.gesture,
      };
    }
    case 'undo': {
      const before = past.at(-1);
      if (!before) return history;
      return { past: past.slice(0, -1), present: before, future: [present, ...future], gesture: undefined };
    }
    case 'redo': {
      const [after, ...later] = future;
      if (!after) return history;
      return { past: [...past, present], present: after, future: later, gesture: undefined };
    }
    case 'load':
      return startHistory(action.look);
  }
}
