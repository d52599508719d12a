import { settingKey, type Look, type Setting } from './model.js';

/** A table without one of its entries, or with another value for it; undefined where none are left. */
function entry(
  table: Readonly<Record<string, string>> | undefined,
  name: string,
  value: string | undefined,
): Readonly<Record<string, string>> | undefined {
  const others = Object.entries(table ?? {}).filter(([own]) => own !== name);
  const all = value === undefined ? others : [...others, [name, value] as const];
  return all.length ? Object.fromEntries(all) : undefined;
}

/** What a look says of parts themselves, by their names: which elements they are, what they are called, where from. */
export const PART_TABLES = ['parts', 'names', 'splitFrom'] as const;

/** A look with another entry in a table of its parts, and without the table where nothing is in it. */
export function withTable(
  look: Look,
  table: (typeof PART_TABLES)[number],
  name: string,
  value: string | undefined,
): Look {
  const { [table]: before, ...rest } = look;
  const next = entry(before, name, value);
  return next ? { ...rest, [table]: next } : rest;
}

/** Gives a part another selector; undefined goes back to the kind's own. */
export const correctPart = (look: Look, part: string, selector: string | undefined): Look =>
  withTable(look, 'parts', part, selector);

/** Calls a part otherwise; undefined goes back to what its kind calls it. */
export const renamePart = (look: Look, part: string, name: string | undefined): Look =>
  withTable(look, 'names', part, name);

/** A look with some of its settings alone; of the others it is not kept either that they were switched off. */
export function withSettings(look: Look, isKept: (setting: Setting) => boolean): Look {
  const settings = look.settings.filter(isKept);
  const left = new Set(settings.map(settingKey));
  return { ...look, settings, muted: look.muted.filter((key) => left.has(key)) };
}

/** A look without a part that its owner had added, and without what it says of it. */
export function removePart(look: Look, part: string): Look {
  const tables = PART_TABLES.reduce((next, table) => withTable(next, table, part, undefined), look);
  return {
    ...withSettings(tables, (setting) => setting.part !== part),
    exceptions: look.exceptions.filter((exception) => exception.part !== part),
  };
}
