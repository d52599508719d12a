import { proxy } from 'comlink';
import { useState } from 'react';
import type { OnStep } from './protocol';

const NONE = { done: 0, of: 0 };

/** How far long work of a worker has come; what the worker is given to tell it ends the work once nobody waits for it. */
export function useProgress() {
  const [progress, setProgress] = useState(NONE);
  const begin = (signal: AbortSignal): OnStep => {
    setProgress(NONE);
    return proxy((done: number, of: number) => {
      signal.throwIfAborted();
      setProgress({ done, of });
    });
  };
  return { progress, begin };
}
