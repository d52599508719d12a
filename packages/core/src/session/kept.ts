import { once } from '../once.js';
import { activeSettings, settingText, type Look, type Setting } from '../look/model.js';

/** What is worked out is kept under texts that say what it was worked out from: a look comes anew with each message. */

/** Beyond a number of entries the one that was put in first goes. */
export function forgetOldest<K>(map: Map<K, unknown>, most: number): void {
  if (map.size > most) map.delete(map.keys().next().value!);
}

export const exceptionsKey = once((exceptions: Look['exceptions']) =>
  exceptions.length ? JSON.stringify(exceptions) : '',
);

/** The states that a look says something in, by part. */
export const statesUsed = once((look: Look) => {
  const all = look.settings.map(({ part, when }) => `${part} ${when.states.map((atom) => atom.state).join('+')}`);
  return [...new Set(all)].sort().join();
});

/** What of a look is in force in one part. */
export interface PartSettings {
  readonly settings: readonly Setting[];
  /** The settings as text. */
  readonly text: string;
}

/** What of a look is in force, by the parts' names. */
export const settingsByPart = once((look: Look): ReadonlyMap<string, PartSettings> => {
  const byPart = new Map<string, Setting[]>();
  for (const setting of activeSettings(look)) {
    const own = byPart.get(setting.part);
    if (own) own.push(setting);
    else byPart.set(setting.part, [setting]);
  }
  return new Map(
    [...byPart].map(([part, settings]) => [part, { settings, text: settings.map(settingText).join() }] as const),
  );
});

/** Answers to one question that are kept, one for each look that was asked about lately. */
const MAX_VERSIONS = 12;

/** What was worked out before, while what it was worked out from has not changed. */
export class KeptAnswers {
  private readonly byName = new Map<string, Map<string, unknown>>();

  /** @param asked all that the answer depends on */
  unlessKept<T>(name: string, asked: readonly unknown[] | string, make: () => T): T {
    const key = typeof asked === 'string' ? asked : JSON.stringify(asked);
    let known = this.byName.get(name);
    if (!known) this.byName.set(name, (known = new Map()));
    if (known.has(key)) return known.get(key) as T;
    const value = make();
    known.set(key, value);
    forgetOldest(known, MAX_VERSIONS);
    return value;
  }
}
