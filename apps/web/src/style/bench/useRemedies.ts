import { changeLook, type Look, type Setting } from '@retoque/core';
import { useState } from 'react';
import { useSteady } from '../../shell/useSteady';
import { tellDone } from '../../shell/toasts';
import type { LookEditor } from '../look/useLookEditor';

/** A suggested fix that was used, and what it was used on. */
export interface UsedFix {
  readonly name: string;
  readonly before: Look;
  readonly after: Look;
}

/**
 * Suggested fixes tried in the frames, and used.
 *
 * @param ask shows what a look comes to without keeping it
 */
export function useRemedies({ look, replace }: LookEditor, ask: (look: Look) => void, undo: () => void) {
  const [used, setUsed] = useState<UsedFix>();
  return {
    /** The fix that was used last, as long as nothing was changed since. */
    used: used?.after === look ? used : undefined,
    tryOut: useSteady((settings: readonly Setting[] | undefined) => ask(settings ? changeLook(look, settings) : look)),
    apply: useSteady((settings: readonly Setting[], name: string) => {
      const after = changeLook(look, settings);
      setUsed({ name, before: look, after });
      replace(after, name);
      tellDone(name, undo);
    }),
  };
}
