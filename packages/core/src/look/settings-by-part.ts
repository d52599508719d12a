import { once } from '../memo/once.js';
import { activeSettings, settingText, type Look, type Setting } from './model.js';

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
