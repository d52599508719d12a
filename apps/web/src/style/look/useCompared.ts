import { useMemo, useState } from 'react';
import type { CellAddress } from './cells';

/** Values of one cell, as they are written, that are looked at beside each other; nothing of it is part of the look. */
export interface Compared {
  readonly address: CellAddress;
  readonly texts: readonly string[];
}

/** What is compared, and how that changes. */
export function useCompared() {
  const [compared, set] = useState<Compared>();
  return useMemo(() => ({ compared, set }), [compared]);
}
export type Comparing = ReturnType<typeof useCompared>;
