const NOTHING = Symbol('nothing');

/**
 * What is worked out from an object that never changes, worked out once for each.
 */
// So that a bundle without what uses it is without it too.
/* @__NO_SIDE_EFFECTS__ */
export function once<K extends object, V>(make: (key: K) => V): (key: K) => V {
  const known = new WeakMap<K, V | typeof NOTHING>();
  return (key) => {
    const found = known.get(key);
    if (found !== undefined) return found === NOTHING ? (undefined as V) : found;
    const made = make(key);
    known.set(key, made === undefined ? NOTHING : made);
    return made;
  };
}

/** Texts that are kept of each kind. */
const MAX_TEXTS = 4000;

/**
 * What is worked out from a text, kept for those that are asked for again and again.
 */
/* @__NO_SIDE_EFFECTS__ */
export function onceForText<V>(make: (text: string) => V): (text: string) => V {
  const known = new Map<string, { readonly value: V }>();
  return (text) => {
    let found = known.get(text);
    if (!found) {
      found = { value: make(text) };
      if (known.size >= MAX_TEXTS) known.clear();
      known.set(text, found);
    }
    return found.value;
  };
}
