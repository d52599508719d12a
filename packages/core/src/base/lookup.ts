/**
 * A table that names of others are looked up in, by `[]` or `in`: it has the given names and no others, where a plain
 * object also has `constructor`, `toString` and whatever else its prototype brings.
 */
export const lookup = <T, K extends string = string>(entries: Readonly<Record<K, T>>): Readonly<Record<K, T>> =>
  Object.freeze(Object.assign(Object.create(null) as Record<K, T>, entries));
