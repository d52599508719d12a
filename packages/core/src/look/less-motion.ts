import type { Condition } from '../css/sheet/sheet.js';

/** True for what says how something moves, which those who ask for less motion may be spared. */
export const isMotion = (property: string): boolean => /^(animation|transition)-|^scroll-behavior$/.test(property);

/** True for a condition on whether less motion is asked for. */
export const asksForMotion = (condition: Condition): boolean =>
  condition.kind === 'media' && /prefers-reduced-motion/i.test(condition.query.text);
