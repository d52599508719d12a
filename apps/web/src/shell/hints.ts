import { useSyncExternalStore } from 'react';

const KEY = 'retoque:hints-read';
const listeners = new Set<() => void>();

function stored(): ReadonlySet<string> {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]');
    return new Set(Array.isArray(kept) ? kept.filter((id): id is string => typeof id === 'string') : []);
  } catch {
    return new Set();
  }
}

let read = stored();

function keep(next: ReadonlySet<string>): void {
  read = next;
  try {
    localStorage.setItem(KEY, JSON.stringify([...next]));
  } catch {
    // Without storage they are read for this window.
  }
  for (const listener of listeners) listener();
}

export const dismissHint = (id: string): void => keep(new Set([...read, id]));
export const showHintsAgain = (): void => keep(new Set());

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** True while a hint was not read yet. */
export const useHint = (id: string): boolean => useSyncExternalStore(subscribe, () => !read.has(id));
export const useAnyHintRead = (): boolean => useSyncExternalStore(subscribe, () => read.size > 0);
