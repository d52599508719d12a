/** A set with something put in, or taken out where it was in. */
export function toggled<T>(set: ReadonlySet<T>, one: T): ReadonlySet<T> {
  const other = new Set(set);
  if (!other.delete(one)) other.add(one);
  return other;
}
