import { parseSheet, type SheetOptions } from './parse-sheet.js';
import type { ParsedSheet, SheetText } from './sheet.js';

/** Characters of sheets that are kept, and of those that are worth it. */
const MOST_CHARACTERS = 12_000_000;
const LEAST_CHARACTERS = 2_000;

/** By text, then by what else a reading depends on; the text that was put in first goes first. */
const known = new Map<string, Map<string, ParsedSheet & SheetText>>();
let characters = 0;

/** A sheet as it was read before: pages of a site share most of theirs. What is read of a sheet never changes. */
export function sharedSheet(name: string, text: string, options: SheetOptions = {}): ParsedSheet {
  if (text.length < LEAST_CHARACTERS) return parseSheet(name, text, options);
  let own = known.get(text);
  if (!own) {
    known.set(text, (own = new Map()));
    characters += text.length;
    while (characters > MOST_CHARACTERS && known.size > 1) {
      const [oldest] = known.keys();
      known.delete(oldest!);
      characters -= oldest!.length;
    }
  }
  const key = JSON.stringify([name, options.base, options.quirks ?? false]);
  let sheet = own.get(key);
  if (!sheet) own.set(key, (sheet = parseSheet(name, text, options)));
  return sheet;
}

/** The text of a sheet with where its rules stand; that of a sheet which was read before, where one of this text was. */
export const sheetText = (text: string): SheetText =>
  known.get(text)?.values().next().value ?? parseSheet('text', text);
