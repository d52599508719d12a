import type { Value } from 'css-tree';

/** One shorthand: its longhands, and how a value is spread over them. One file a family, all of this shape. */
export interface Shorthand {
  readonly name: string;
  readonly longhands: readonly string[];
  /**
   * @param value a value without var()
   * @returns the value of each longhand that the text gives or resets; undefined when the value cannot be read
   */
  readonly expand: (value: Value) => Readonly<Record<string, string>> | undefined;
}
