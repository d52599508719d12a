import type { FrameRules } from '@retoque/core';
import { useCallback, useRef, useState } from 'react';
import { createLookStore } from '../../frame/look-store';

const NO_RULES: readonly FrameRules[] = [];

/** The look that the frames wear, which reaches them without their being drawn again; bare while the site is shown untouched. */
export function useFrameLook() {
  const [store] = useState(createLookStore);
  const rules = useRef<readonly FrameRules[]>(NO_RULES);
  const bare = useRef(false);
  const show = useCallback(() => store.set(bare.current ? NO_RULES : rules.current), [store]);
  const take = useCallback(
    (next: readonly FrameRules[]) => {
      rules.current = next;
      show();
    },
    [show],
  );
  const setUntouched = useCallback(
    (untouched: boolean) => {
      bare.current = untouched;
      show();
    },
    [show],
  );
  return { store, take, setUntouched };
}
