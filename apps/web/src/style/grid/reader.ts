import { expandShorthand, rowNamed, rowText, type Row } from '@retoque/core';
import { readTyped } from './cell-problem';

export { quantityText } from '@retoque/core';
export { stepText } from './step-text';
export { readPasted } from './pasted';
export { readTyped };

/**
 * A value typed for one row as another row of the selection takes it; undefined where it cannot.
 *
 * @public asked for through the module, which is loaded late
 */
export function valuesFor(rowKey: string, text: string | undefined): Readonly<Record<string, string>> | undefined {
  const row = rowNamed(rowKey);
  const read = row && text !== undefined ? readTyped(row, text) : undefined;
  return read?.ok ? read.values : undefined;
}

/**
 * The text of a row with some of its longhands replaced.
 *
 * @public the same
 */
export function withFresh(row: Row, text: string, fresh: Readonly<Record<string, string>>): string {
  if (!row.properties.some((property) => fresh[property] !== undefined)) return text;
  const [only] = row.properties;
  const longhands = row.properties.length === 1 ? { [only!]: text } : expandShorthand(row.shorthand ?? '', text);
  return rowText(row, (property) => fresh[property] ?? longhands?.[property] ?? '') ?? text;
}
