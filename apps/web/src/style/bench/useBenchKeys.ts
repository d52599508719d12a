import { useEffect, useState } from 'react';
import type { Command } from './commands';

const typing = (event: KeyboardEvent): boolean =>
  (event.target as HTMLElement).matches(
    'input:not([type=checkbox], [type=range]), textarea, select, [contenteditable]',
  );

/** Runs commands by their keys while nobody types, and says whether the key that shows the untouched site is held. */
export function useBenchKeys(commands: readonly Command[], busy: boolean): boolean {
  const [untouched, setUntouched] = useState(false);
  useEffect(() => {
    const down = (event: KeyboardEvent) => {
      if (busy || typing(event) || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key.toLowerCase() === 'u') {
        setUntouched(true);
        return;
      }
      const command = commands.find(({ keys, enabled }) => enabled && keys?.toLowerCase() === event.key.toLowerCase());
      if (!command) return;
      event.preventDefault();
      command.run();
    };
    const up = (event: KeyboardEvent) => {
      if (event.key.toLowerCase() === 'u') setUntouched(false);
    };
    const blur = () => setUntouched(false);
    window.addEventListener('keydown', down);
    window.addEventListener('keyup', up);
    window.addEventListener('blur', blur);
    return () => {
      window.removeEventListener('keydown', down);
      window.removeEventListener('keyup', up);
      window.removeEventListener('blur', blur);
    };
  }, [commands, busy]);
  return untouched;
}
