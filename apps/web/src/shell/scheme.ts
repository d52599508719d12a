import { useSyncExternalStore } from 'react';

/** How the interface looks: as the device asks for, or as was chosen here. */
export type Scheme = 'system' | 'light' | 'dark';

const KEY = 'retoque:scheme';
const prefersDark = matchMedia('(prefers-color-scheme: dark)');
const listeners = new Set<() => void>();

function stored(): Scheme {
  try {
    const kept = localStorage.getItem(KEY);
    return kept === 'light' || kept === 'dark' ? kept : 'system';
  } catch {
    return 'system';
  }
}

let chosen: Scheme = stored();

const shown = (): 'light' | 'dark' => (chosen === 'system' ? (prefersDark.matches ? 'dark' : 'light') : chosen);

/** The one place where the document's scheme is set; frames of owners' pages have one of their own. */
function apply(): void {
  document.documentElement.classList.toggle('dark', shown() === 'dark');
  document.documentElement.style.colorScheme = shown();
  for (const listener of listeners) listener();
}

/** Follows the device from now on. */
export function startScheme(): void {
  prefersDark.addEventListener('change', apply);
  apply();
}

export function chooseScheme(scheme: Scheme): void {
  chosen = scheme;
  try {
    if (scheme === 'system') localStorage.removeItem(KEY);
    else localStorage.setItem(KEY, scheme);
  } catch {
    // Without storage it holds for this window.
  }
  apply();
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

export const useScheme = (): Scheme => useSyncExternalStore(subscribe, () => chosen);
