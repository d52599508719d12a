import type { FrameRules } from '@retoque/core';

/** The look that frames show; they take it from here without anything being drawn again in between. */
export interface LookStore {
  get(): readonly FrameRules[];
  set(rules: readonly FrameRules[]): void;
  /** Calls back at each change; returns what ends that. */
  subscribe(change: () => void): () => void;
}

export function createLookStore(): LookStore {
  let rules: readonly FrameRules[] = [];
  const listeners = new Set<() => void>();
  return {
    get: () => rules,
    set: (next) => {
      if (next === rules) return;
      rules = next;
      for (const listener of listeners) listener();
    },
    subscribe: (change) => {
      listeners.add(change);
      return () => listeners.delete(change);
    },
  };
}
