const LATEST_MILLIS = 400;

/** Runs something when nothing more pressing is left to do; some browsers have no such moment, and wait a little. */
export function whenIdle(run: () => void): () => void {
  if (!('requestIdleCallback' in window)) {
    const timer = setTimeout(run, LATEST_MILLIS / 4);
    return () => clearTimeout(timer);
  }
  const asked = requestIdleCallback(run, { timeout: LATEST_MILLIS });
  return () => cancelIdleCallback(asked);
}
