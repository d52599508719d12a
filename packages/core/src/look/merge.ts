import { settingKey, type Exception, type Look, type Setting } from './model.js';

/** What two looks can differ in: a value, whether it is switched off, an exception, a part's selector or name, the finish. */
export type LookItem =
  | { readonly kind: 'value'; readonly setting: Setting }
  | { readonly kind: 'off'; readonly key: string }
  | { readonly kind: 'exception'; readonly exception: Exception }
  | { readonly kind: 'part'; readonly part: string; readonly selector: string; readonly splitFrom?: string }
  | { readonly kind: 'name'; readonly part: string; readonly name: string }
  | { readonly kind: 'finish'; readonly finish: string };

/** One item in the two looks; undefined where a look does not have it. */
export interface Difference {
  /** Tells it from the others, and stays the same while the two are edited on. */
  readonly key: string;
  readonly mine: LookItem | undefined;
  readonly theirs: LookItem | undefined;
}

export interface Merge {
  readonly look: Look;
  /** Changed by me alone, by them alone, and by both to something else. */
  readonly onlyMine: readonly Difference[];
  readonly onlyTheirs: readonly Difference[];
  readonly both: readonly Difference[];
}

/** Whose item is taken where both changed the same one. */
export type Choice = (key: string) => 'mine' | 'theirs';

interface Entry {
  readonly item: LookItem;
  /** Equal for items that say the same. */
  readonly says: string;
}

const entry = (item: LookItem, says: unknown): Entry => ({ item, says: JSON.stringify(says) });

function entriesOf(look: Look): Map<string, Entry> {
  const entries = new Map<string, Entry>();
  for (const setting of look.settings) {
    entries.set(`value ${settingKey(setting)}`, entry({ kind: 'value', setting }, setting.value));
  }
  for (const key of look.muted) entries.set(`off ${key}`, entry({ kind: 'off', key }, true));
  for (const exception of look.exceptions) {
    const { name, part, members } = exception;
    entries.set(`exception ${exception.id}`, entry({ kind: 'exception', exception }, [name, part, members]));
  }
  for (const [part, selector] of Object.entries(look.parts ?? {})) {
    const splitFrom = look.splitFrom?.[part];
    const item = { kind: 'part', part, selector, ...(splitFrom === undefined ? {} : { splitFrom }) } as const;
    entries.set(`part ${part}`, entry(item, [selector, splitFrom]));
  }
  for (const [part, name] of Object.entries(look.names ?? {})) {
    entries.set(`name ${part}`, entry({ kind: 'name', part, name }, name));
  }
  if (look.finish !== undefined) entries.set('finish', entry({ kind: 'finish', finish: look.finish }, look.finish));
  return entries;
}

function lookOf(items: readonly LookItem[], exceptionsKnown: ReadonlyMap<string, Exception>): Look {
  const settings: Setting[] = [];
  const exceptions = new Map<string, Exception>();
  const off: string[] = [];
  const parts: Record<string, string> = {};
  const names: Record<string, string> = {};
  const splitFrom: Record<string, string> = {};
  let finish: string | undefined;
  for (const item of items) {
    if (item.kind === 'value') settings.push(item.setting);
    else if (item.kind === 'off') off.push(item.key);
    else if (item.kind === 'exception') exceptions.set(item.exception.id, item.exception);
    else if (item.kind === 'name') names[item.part] = item.name;
    else if (item.kind === 'part') {
      parts[item.part] = item.selector;
      if (item.splitFrom !== undefined) splitFrom[item.part] = item.splitFrom;
    } else ({ finish } = item);
  }
  // An exception that one removed while the other set something in it stays, or what was set would reach nothing.
  for (const { exception: id } of settings) {
    const known = id === undefined ? undefined : exceptionsKnown.get(id);
    if (known && !exceptions.has(known.id)) exceptions.set(known.id, known);
  }
  const keys = new Set(settings.map(settingKey));
  return {
    ...(finish === undefined ? {} : { finish }),
    settings,
    exceptions: [...exceptions.values()],
    muted: off.filter((key) => keys.has(key)),
    ...(Object.keys(parts).length ? { parts } : {}),
    ...(Object.keys(names).length ? { names } : {}),
    ...(Object.keys(splitFrom).length ? { splitFrom } : {}),
  };
}

/**
 * Merges two looks that were both made from a third: what only one changed is taken from that one.
 *
 * @param base what both were made from; where it is not known all that differs counts as changed by both
 */
export function mergeLooks(base: Look | undefined, mine: Look, theirs: Look, choose: Choice): Merge {
  const [before, my, their] = [base && entriesOf(base), entriesOf(mine), entriesOf(theirs)];
  const items: LookItem[] = [];
  const found = { onlyMine: [] as Difference[], onlyTheirs: [] as Difference[], both: [] as Difference[] };
  for (const key of new Set([...their.keys(), ...my.keys()].concat([...(before?.keys() ?? [])]))) {
    const [m, t, b] = [my.get(key), their.get(key), before?.get(key)];
    let taken = t;
    if (m?.says !== t?.says) {
      const difference = { key, mine: m?.item, theirs: t?.item };
      if (before && m?.says === b?.says) found.onlyTheirs.push(difference);
      else if (before && t?.says === b?.says) {
        found.onlyMine.push(difference);
        taken = m;
      } else {
        found.both.push(difference);
        if (choose(key) === 'mine') taken = m;
      }
    }
    if (taken) items.push(taken.item);
  }
  const exceptions = [base, theirs, mine].flatMap((look) => look?.exceptions ?? []);
  return { look: lookOf(items, new Map(exceptions.map((exception) => [exception.id, exception]))), ...found };
}
