import { useCallback, useState } from 'react';

export type BenchDialog = 'commands' | 'keys' | 'pointing' | 'preview' | 'anew' | 'reach';

/** Which dialog of the Style screen is open. */
export function useDialogs() {
  const [open, setOpen] = useState<BenchDialog>();
  // Once they were opened they stay, so that they close as they open.
  const [listed, setListed] = useState(false);
  if (!listed && (open === 'commands' || open === 'keys')) setListed(true);
  const close = useCallback(() => setOpen(undefined), []);
  return { open, listed, show: setOpen as (dialog: BenchDialog) => void, close };
}
