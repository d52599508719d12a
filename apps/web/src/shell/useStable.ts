import { replaceEqualDeep } from '@tanstack/react-query';
import { useState } from 'react';

/** The value as it was before where nothing in it has changed, so that what depends on it is not worked out again. */
export function useStable<T>(value: T): T {
  const [kept, setKept] = useState(value);
  const next = replaceEqualDeep(kept, value) as T;
  if (next !== kept) setKept(next);
  return next;
}
