import type { ComponentRef } from './protocol';

const keys = new WeakMap<ComponentRef, number>();
let last = 0;

/**
 * A short key for a reference, so that queries need not read through all the looks that it holds at every render. The
 * same object always has the same key.
 */
export function refKey(ref: ComponentRef): number {
  let key = keys.get(ref);
  if (key === undefined) keys.set(ref, (key = ++last));
  return key;
}
