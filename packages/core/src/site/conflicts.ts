import { activeSettings, bitsOfWhen, settingKey } from '../look/model.js';
import type { StateBits } from '../css/selector/states.js';
import type { DressedPage, LookHere } from './dressed-page.js';
import { subjectKey } from './reach.js';

/** Two looks that say something about one property of the same elements in the same state. */
export interface LookConflict {
  /** Ids of the look that is seen and of the one that lies under it. */
  readonly over: string;
  readonly under: string;
  /** The part of the look that is seen. */
  readonly part: string;
  readonly property: string;
  readonly states: StateBits;
  /** How many elements of the page both are about. */
  readonly elements: number;
}

/** What a look says, by element, property and state. */
function claims({
  worn,
  placed,
}: LookHere): Map<
  string,
  { readonly key: string; readonly part: string; readonly property: string; readonly states: StateBits }
> {
  const found = new Map<string, { key: string; part: string; property: string; states: StateBits }>();
  for (const setting of activeSettings(worn.look)) {
    const own = placed.parts.find(({ part }) => part.name === setting.part);
    const { part, property } = setting;
    const states = bitsOfWhen(setting.when);
    for (const element of own?.elements ?? []) {
      const key = `${subjectKey(element, own!.part.pseudo)}|${property}|${states}`;
      found.set(key, { key: settingKey(setting), part, property, states });
    }
  }
  return found;
}

/** Where looks on a page contradict one another; each setting once. */
export function conflictsOn(page: DressedPage): LookConflict[] {
  const looks = page.lookList();
  const said = looks.map(claims);
  const conflicts = new Map<string, LookConflict>();
  looks.forEach(({ worn }, over) => {
    for (const [key, claim] of said[over]!) {
      for (let under = over - 1; under >= 0; under--) {
        if (!said[under]!.has(key)) continue;
        const id = `${over} ${under} ${claim.key}`;
        const known = conflicts.get(id);
        const { part, property, states } = claim;
        const elements = (known?.elements ?? 0) + 1;
        conflicts.set(id, { over: worn.id, under: looks[under]!.worn.id, part, property, states, elements });
      }
    }
  });
  return [...conflicts.values()];
}
