import { currentTrial, type Component, type LookData } from '@retoque/contract';
import type { ChangedLook } from '../ledger/put-shares';

const isDark = ({ when }: LookData['settings'][number]): boolean => when.scheme === 'dark';

/** The looks of a site that say something for the dark scheme alone, and how many values that is. */
export function darkChanges(components: readonly Component[]): {
  readonly settings: number;
  readonly changed: readonly ChangedLook[];
} {
  const changed = components.flatMap((component): ChangedLook[] => {
    const trial = currentTrial(component);
    return trial.look.settings.some(isDark) ? [{ componentId: component.id, trial, look: trial.look }] : [];
  });
  return { changed, settings: changed.reduce((sum, { look }) => sum + look.settings.filter(isDark).length, 0) };
}

/** A look without what it says for the dark scheme alone; exceptions of which nothing is said then go too. */
export function withoutDark(look: LookData): LookData {
  const settings = look.settings.filter((setting) => !isDark(setting));
  const gone = new Set(look.settings.filter(isDark).map(({ exception }) => exception));
  const named = new Set(settings.map(({ exception }) => exception));
  return { ...look, settings, exceptions: look.exceptions.filter(({ id }) => !gone.has(id) || named.has(id)) };
}
