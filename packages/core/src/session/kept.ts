import type { Environment } from '../css/environment.js';
import { activeSettings, settingKey, type Look, type Setting } from '../look/model.js';

/** What is worked out is kept under texts that say what it was worked out from: a look comes anew with each message. */

/** Beyond a number of entries the one that was put in first goes. */
export function forgetOldest(map: Map<string, unknown>, most: number): void {
  if (map.size > most) map.delete(map.keys().next().value!);
}

/** A text for an object that is never changed, made once. */
function textOnce<T extends object>(make: (value: T) => string): (value: T) => string {
  const known = new WeakMap<T, string>();
  return (value) => {
    let text = known.get(value);
    if (text === undefined) known.set(value, (text = make(value)));
    return text;
  };
}

export const environmentKey = textOnce((environment: Environment) => JSON.stringify(environment));
export const exceptionsKey = textOnce((exceptions: Look['exceptions']) =>
  exceptions.length ? JSON.stringify(exceptions) : '',
);
export const settingText = textOnce((setting: Setting) => `${settingKey(setting)}=${setting.value}`);

/** The states that a look says something in, by part. */
export const statesUsed = textOnce((look: Look) => {
  const all = look.settings.map(({ part, when }) => `${part} ${when.states.map((atom) => atom.state).join('+')}`);
  return [...new Set(all)].sort().join();
});

const grouped = new WeakMap<Look, ReadonlyMap<string, readonly Setting[]>>();
/** What of a look is in force, by the parts' names. */
export function settingsByPart(look: Look): ReadonlyMap<string, readonly Setting[]> {
  let known = grouped.get(look);
  if (!known) {
    const byPart = new Map<string, Setting[]>();
    for (const setting of activeSettings(look)) {
      const own = byPart.get(setting.part);
      if (own) own.push(setting);
      else byPart.set(setting.part, [setting]);
    }
    grouped.set(look, (known = byPart));
  }
  return known;
}
