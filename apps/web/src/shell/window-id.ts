const KEY = 'retoque:window';
const lockOf = (id: string) => `retoque:window:${id}`;

let own: Promise<string> | undefined;

/** Holds a lock for as long as this window lives; false where another window holds it. */
const hold = (id: string): Promise<boolean> =>
  new Promise((resolve) => {
    navigator.locks
      .request(lockOf(id), { ifAvailable: true }, (lock) => {
        resolve(lock !== null);
        // Given back by the browser when the window is gone, whatever ends it.
        return lock ? new Promise<void>(() => undefined) : undefined;
      })
      .catch(() => resolve(true));
  });

/** Tells this window from others of the same browser, and stays the same when it is loaded again. */
export function windowId(): Promise<string> {
  own ??= (async () => {
    try {
      const before = sessionStorage.getItem(KEY);
      // A window that was duplicated has the other's memory.
      if (before && (await hold(before))) return before;
      const id = crypto.randomUUID();
      await hold(id);
      sessionStorage.setItem(KEY, id);
      return id;
    } catch {
      return crypto.randomUUID();
    }
  })();
  return own;
}

/** The windows that are open now. */
export async function openWindows(): Promise<ReadonlySet<string>> {
  const { held = [] } = await navigator.locks.query();
  return new Set(held.flatMap(({ name = '' }) => (name.startsWith(lockOf('')) ? [name.slice(lockOf('').length)] : [])));
}
