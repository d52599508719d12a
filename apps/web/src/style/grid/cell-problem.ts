import { cssTextSchema } from '@retoque/contract';
import { readCellText, type ReadValue, type Row } from '@retoque/core';

/** Reads typed text for a row; what cannot be stored is refused with the same words as what CSS refuses. */
export function readTyped(row: Row, text: string): ReadValue {
  const read = readCellText(row, text);
  if (!read.ok) return read;
  for (const value of Object.values(read.values)) {
    const valid = cssTextSchema.safeParse(value);
    if (!valid.success) return { ok: false, problem: valid.error.issues[0]?.message ?? 'That cannot be a value.' };
  }
  return read;
}
