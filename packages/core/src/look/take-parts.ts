import { settingKey, settingText, type Exception, type Look } from './model.js';
import { PART_TABLES, withTable } from './own-parts-of-look.js';

/** What a look says of one part, as text: the same for looks that say the same of it. */
function saidOf(look: Look, part: string): string {
  const { settings, exceptions, muted } = look;
  const own = settings.filter((setting) => setting.part === part);
  const keys = new Set(own.map(settingKey));
  const told = exceptions
    .filter((exception) => exception.part === part)
    .map(({ id, name, members }) => [id, name, members]);
  const off = muted.filter((key) => keys.has(key)).sort();
  return JSON.stringify([own.map(settingText).sort(), told, off, ...PART_TABLES.map((table) => look[table]?.[part])]);
}

/** The parts of which two looks say something else. */
export function partsThatDiffer(a: Look, b: Look): string[] {
  const named = [a, b].flatMap((look) => [
    ...look.settings.map(({ part }) => part),
    ...look.exceptions.map(({ part }) => part),
    ...PART_TABLES.flatMap((table) => Object.keys(look[table] ?? {})),
  ]);
  return [...new Set(named)].filter((part) => saidOf(a, part) !== saidOf(b, part));
}

/**
 * A look that says of some parts what another does: in every state, width and scheme, for their members and by their
 * selectors. Of the other parts it says what it said.
 */
export function takeParts(look: Look, from: Look, parts: ReadonlySet<string>): Look {
  const kept = <T extends { readonly part: string }>(list: readonly T[]) => list.filter(({ part }) => !parts.has(part));
  const taken = <T extends { readonly part: string }>(list: readonly T[]) => list.filter(({ part }) => parts.has(part));
  const exceptions = kept(look.exceptions);
  const ids = new Set(exceptions.map(({ id }) => id));
  const renamed = new Map<string, string>();
  const others = taken(from.exceptions).map((exception): Exception => {
    const id = freeId(exception.id, ids);
    ids.add(id);
    renamed.set(exception.id, id);
    return { ...exception, id };
  });
  const settings = taken(from.settings).map((setting) => {
    const exception = setting.exception === undefined ? undefined : renamed.get(setting.exception);
    return { setting, own: exception === undefined ? setting : { ...setting, exception } };
  });
  const own = kept(look.settings);
  const ownKeys = new Set(own.map(settingKey));
  const off = new Set(from.muted);
  const muted = [
    ...look.muted.filter((key) => ownKeys.has(key)),
    ...settings.flatMap(({ setting, own: next }) => (off.has(settingKey(setting)) ? [settingKey(next)] : [])),
  ];
  const told: Look = {
    ...look,
    settings: [...own, ...settings.map(({ own: next }) => next)],
    exceptions: [...exceptions, ...others],
    muted,
  };
  return [...parts].reduce(
    (next, part) => PART_TABLES.reduce((before, table) => withTable(before, table, part, from[table]?.[part]), next),
    told,
  );
}

/** An id that is not taken: the same where it is free. */
function freeId(id: string, taken: ReadonlySet<string>): string {
  if (!taken.has(id)) return id;
  let n = 2;
  while (taken.has(`${id}-${n}`)) n++;
  return `${id}-${n}`;
}
