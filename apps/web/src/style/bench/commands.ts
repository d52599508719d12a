/** Something that can be done on the Style screen, by its name, by a key, or by both. */
export interface Command {
  readonly name: string;
  /** How the key is written for people; undefined for what has none. */
  readonly keys?: string | undefined;
  readonly group: 'Cells' | 'Sheet' | 'View' | 'Look' | 'Go';
  /** False while there is nothing that it could do. */
  readonly enabled: boolean;
  readonly run: () => void;
}

/** Keys that the sheet itself answers to. */
export const SHEET_KEYS: readonly (readonly [keys: string, what: string])[] = [
  ['Arrow keys', 'Move from cell to cell'],
  ['Shift + arrow keys', 'Select a range'],
  ['Enter', 'Edit the cell'],
  ['Delete', 'Clear: back to what it follows'],
  ['Ctrl C, Ctrl X, Ctrl V', 'Copy, cut and paste cells, as a table or as CSS'],
  ['Hold U', 'See the site untouched'],
];
