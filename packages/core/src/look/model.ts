import type { Atom } from '../css/selector/states.js';
import { once } from '../memo/once.js';
import { ATOMS, bitsOf, closeBits, type StateBits } from '../css/selector/states.js';

/** An atom of a part's state: a card's hover is not its link's hover. */
export interface PartAtom {
  readonly part: string;
  readonly state: Atom;
}

/** The conditions under which a setting holds. */
export interface When {
  readonly states: readonly PartAtom[];
  readonly page?: string | undefined;
  readonly viewport?: 'medium' | 'narrow' | undefined;
  readonly scheme?: 'dark' | undefined;
  /** Set where it holds for those alone who ask for less motion. */
  readonly motion?: 'reduced' | undefined;
}

/** One value: part × property × when → value, as CSS text of a longhand. */
export interface Setting {
  readonly part: string;
  readonly exception?: string | undefined;
  readonly property: string;
  readonly when: When;
  readonly value: string;
}

/** A few members of a part that differ, with settings of their own. */
export interface Exception {
  readonly id: string;
  readonly name: string;
  readonly part: string;
  /** Selectors that tell the members from the rest of the part. */
  readonly members: readonly string[];
}

/** All the settings of one component. */
export interface Look {
  readonly finish?: string | undefined;
  readonly settings: readonly Setting[];
  readonly exceptions: readonly Exception[];
  /** Keys of settings that are switched off for now. */
  readonly muted: readonly string[];
  /** Selectors that the owner gave for parts, by the parts' names. */
  readonly parts?: Readonly<Record<string, string>> | undefined;
  /** What the owner calls parts, by the parts' names; the others are called as their kind calls them. */
  readonly names?: Readonly<Record<string, string>> | undefined;
  /** Which part an own one was split from. */
  readonly splitFrom?: Readonly<Record<string, string>> | undefined;
}

export const EMPTY_LOOK: Look = { settings: [], exceptions: [], muted: [] };

/** What makes two settings the same cell: part, exception, property and when. */
export function settingKey(setting: Pick<Setting, 'part' | 'exception' | 'property' | 'when'>): string {
  const { part, exception, property, when } = setting;
  const states = when.states.map((atom) => `${atom.part}:${atom.state}`).sort();
  return [
    part,
    exception ?? '',
    property,
    states.join('+'),
    when.page ?? '',
    when.viewport ?? '',
    when.scheme ?? '',
    // Keys that are stored know nothing of it.
    ...(when.motion === undefined ? [] : [when.motion]),
  ].join('|');
}

/** A setting as text, the same for equal ones. */
export const settingText = once((setting: Setting): string => `${settingKey(setting)}=${setting.value}`);

export const statesOf = (part: string, atoms: readonly Atom[]): PartAtom[] =>
  ATOMS.filter((atom) => atoms.includes(atom)).map((state) => ({ part, state }));

/** The atoms of a setting, as a closed set; all of them are those of the part that carries the state. */
export const bitsOfWhen = (when: When): StateBits => closeBits(bitsOf(when.states.map((atom) => atom.state)));

/** The settings of a look by their keys; looks are never changed, so it is made once. */
export const settingIndex = once(
  (look: Look): ReadonlyMap<string, Setting> => new Map(look.settings.map((setting) => [settingKey(setting), setting])),
);

/** Sets values in one step; an undefined value clears the cell back to what it follows. */
export function changeLook(
  look: Look,
  changes: readonly (Omit<Setting, 'value'> & { readonly value: string | undefined })[],
): Look {
  const settings = new Map(settingIndex(look));
  const muted = new Set(look.muted);
  for (const { value, ...rest } of changes) {
    const key = settingKey(rest);
    muted.delete(key);
    if (value === undefined) settings.delete(key);
    else settings.set(key, { ...rest, value });
  }
  return { ...look, settings: [...settings.values()], muted: [...muted] };
}

export const activeSettings = (look: Look): Setting[] =>
  look.muted.length ? look.settings.filter((setting) => !look.muted.includes(settingKey(setting))) : [...look.settings];
