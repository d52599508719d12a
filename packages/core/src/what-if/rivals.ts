import type { Environment } from '../css/conditions/environment.js';
import { compareConditions, holdsIn, type Place } from '../look/conditions.js';
import { activeSettings, bitsOfWhen, type Look, type Setting } from '../look/model.js';
import { once } from '../memo/once.js';

/** A setting without its value. */
export type Slot = Omit<Setting, 'value'>;

const cellKey = ({ part, property, when, exception }: Slot) =>
  `${part}|${property}|${bitsOfWhen(when)}|${exception ?? ''}`;

const byCell = once((look: Look): ReadonlyMap<string, readonly Setting[]> => {
  const cells = new Map<string, Setting[]>();
  for (const setting of activeSettings(look)) {
    const key = cellKey(setting);
    cells.set(key, [...(cells.get(key) ?? []), setting]);
  }
  return cells;
});

/** The setting of the same state that wins over one in an environment, as it is about less; undefined without any. */
export function rivalOf(look: Look, slot: Slot, place: Place, environment: Environment): Setting | undefined {
  const own: Setting = { ...slot, value: '' };
  return (byCell(look).get(cellKey(slot)) ?? [])
    .filter((other) => holdsIn(other, place, environment) && compareConditions(other, own) > 0)
    .sort(compareConditions)
    .at(-1);
}
