import { settingText, type Exception, type Look, type Setting } from './model.js';

/** What a look says besides what another says already. */
export interface SaidBesides {
  readonly settings: readonly Setting[];
  readonly exceptions: readonly Exception[];
}

export function saidBesides(before: Look, look: Look): SaidBesides {
  const said = new Set(before.settings.map(settingText));
  return {
    settings: look.settings.filter((setting) => !said.has(settingText(setting))),
    exceptions: look.exceptions.filter((own) => !before.exceptions.includes(own)),
  };
}
