import { splitTopLevel } from '../css/values/split.js';

/** One property's change over time; every text is CSS. */
export interface Transition {
  readonly property: string;
  readonly duration: string;
  readonly easing: string;
  readonly delay: string;
}

/** The longhands in which transitions are stored, each a list. */
export const TRANSITION_LONGHANDS = {
  property: 'transition-property',
  duration: 'transition-duration',
  easing: 'transition-timing-function',
  delay: 'transition-delay',
} as const;

/**
 * One entry for each property that changes; shorter lists are repeated as often as it takes (CSS Transitions 1, section
 * 2.1).
 *
 * @param value text of a longhand
 */
export function readTransitions(value: (property: string) => string): Transition[] {
  const list = (name: keyof typeof TRANSITION_LONGHANDS) => splitTopLevel(value(TRANSITION_LONGHANDS[name]));
  const [durations, easings, delays] = [list('duration'), list('easing'), list('delay')];
  return list('property')
    .filter((property) => property !== 'none' && property !== '')
    .map((property, i) => ({
      property,
      duration: durations[i % durations.length] || '0s',
      easing: easings[i % easings.length] || 'ease',
      delay: delays[i % delays.length] || '0s',
    }));
}

/** Texts of the longhands; lists of one value alike are written once. */
export function printTransitions(transitions: readonly Transition[]): Record<string, string> {
  if (!transitions.length) {
    return {
      'transition-property': 'none',
      'transition-duration': '0s',
      'transition-timing-function': 'ease',
      'transition-delay': '0s',
    };
  }
  return Object.fromEntries(
    Object.entries(TRANSITION_LONGHANDS).map(([name, longhand]) => {
      const texts = transitions.map((transition) => transition[name as keyof Transition]);
      const alike = name !== 'property' && texts.every((text) => text === texts[0]);
      return [longhand, alike ? texts[0]! : texts.join(', ')];
    }),
  );
}
