import { useSyncExternalStore } from 'react';
import type * as ReaderModule from './reader';
import { toaster } from '../../shell/toasts';

/** What reads CSS that was typed or pasted: the grammar of all properties, which nobody needs before the first edit. */
export type Reader = typeof ReaderModule;

let loaded: Reader | undefined;
let pending: Promise<Reader> | undefined;

const listeners = new Set<() => void>();

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** The reader as soon as it is there, for what is drawn. */
export const useReader = (): Reader | undefined => useSyncExternalStore(subscribe, reader);

/** The reader where it is there already. */
export function reader(): Reader | undefined {
  return loaded;
}

export function loadReader(): Promise<Reader> {
  pending ??= import('./reader').then(
    (module) => {
      loaded = module;
      for (const listener of listeners) listener();
      return module;
    },
    (error: unknown) => {
      pending = undefined;
      throw error;
    },
  );
  return pending;
}

/** Reads with it: at once where it is there, or else as soon as it is. */
export function withReader(read: (reader: Reader) => void): void {
  if (loaded) read(loaded);
  else
    loadReader().then(read, () =>
      toaster.create({ title: 'A piece of Retoque could not be loaded, so nothing was changed. Try again.' }),
    );
}
