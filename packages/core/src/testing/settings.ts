import { changeLook, EMPTY_LOOK, statesOf, type Look, type Setting } from '../look/model.js';

/** A setting of a part in a set of its own states. */
export const settingOf = (
  part: string,
  property: string,
  value: string,
  states: Parameters<typeof statesOf>[1] = [],
): Setting => ({ part, property, value, when: { states: statesOf(part, states) } });

export const lookOf = (...settings: readonly Setting[]): Look => changeLook(EMPTY_LOOK, settings);
