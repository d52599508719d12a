import type { Look } from '@retoque/core';

/** A look with the name of the step that leads to or from it. */
export interface Step {
  readonly look: Look;
  readonly name: string;
  /** When it was saved, for steps of earlier sittings. */
  readonly savedAt?: string | undefined;
}

/** Looks before, now and after; pure, so that undoing is as sure as doing. */
export interface History {
  /** Each look as it was before the step that is named with it, the oldest first. */
  readonly past: readonly Step[];
  readonly present: Look;
  /** Each look as it is after the step that is named with it, the next first. */
  readonly future: readonly Step[];
  /** The gesture that made the present; further changes of the same gesture are one step with it. */
  readonly gesture: string | undefined;
}

export type HistoryAction =
  | {
      readonly type: 'change';
      readonly look: Look;
      readonly name?: string | undefined;
      readonly gesture?: string | undefined;
    }
  | { readonly type: 'undo' }
  | { readonly type: 'redo' }
  /** Steps of earlier sittings, the oldest first; they lie before all that is known. */
  | { readonly type: 'earlier'; readonly steps: readonly Step[] }
  /** So many steps back (negative) or forth. */
  | { readonly type: 'go'; readonly steps: number };

const MAX_STEPS = 300;

export const startHistory = (look: Look): History => ({ past: [], present: look, future: [], gesture: undefined });

export function historyReducer(history: History, action: HistoryAction): History {
  const { past, present, future, gesture } = history;
  switch (action.type) {
    case 'change': {
      if (action.look === present) return history;
      const sameGesture = action.gesture !== undefined && action.gesture === gesture;
      const name = action.name ?? 'Change';
      const last = past.at(-1);
      return {
        past:
          sameGesture && last
            ? [...past.slice(0, -1), { look: last.look, name }]
            : [...past, { look: present, name }].slice(-MAX_STEPS),
        present: action.look,
        future: [],
        gesture: action.gesture,
      };
    }
    case 'undo': {
      const before = past.at(-1);
      if (!before) return history;
      return {
        past: past.slice(0, -1),
        present: before.look,
        future: [{ ...before, look: present }, ...future],
        gesture: undefined,
      };
    }
    case 'redo': {
      const [after, ...later] = future;
      if (!after) return history;
      return {
        past: [...past, { ...after, look: present }],
        present: after.look,
        future: later,
        gesture: undefined,
      };
    }
    case 'earlier':
      return { ...history, past: [...action.steps, ...past].slice(-MAX_STEPS) };
    case 'go': {
      const type = action.steps < 0 ? 'undo' : 'redo';
      let at = history;
      for (let i = 0; i < Math.abs(action.steps); i++) at = historyReducer(at, { type });
      return at;
    }
  }
}

/** How many steps lie between the look in hand and the one that this sitting began with; less than none for steps back. */
export function stepsToOpening({ past, future }: Pick<History, 'past' | 'future'>): number {
  const undone = future.filter(({ savedAt }) => savedAt !== undefined).length;
  return undone || -past.filter(({ savedAt }) => savedAt === undefined).length || 0;
}

/** What was done since a look was in hand, in words; undefined where nothing tells. */
export function namedSince({ past, future }: History, look: Look): string | undefined {
  const at = past.findLastIndex((step) => step.look === look);
  if (at < 0) return future[0] ? `Undo: ${future[0].name}` : past.at(-1)?.name;
  const since = past.length - at;
  const name = past.at(-1)!.name;
  return since > 1 ? `${name}, and ${since - 1} more` : name;
}
