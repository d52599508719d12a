import type { Approach } from '../../ledger/ledger-check.js';
import type { Drafter } from '../drafting.js';
import { draftEdge } from './edge.js';
import { draftGround } from './ground.js';
import { draftIcon } from './icon.js';
import { draftLessMotion } from './less-motion.js';
import { draftOpacity } from './opacity.js';
import { draftRing } from './ring.js';
import { draftSize } from './size.js';
import { draftStop } from './stop.js';
import { draftText } from './text.js';
import { draftTiming } from './timing.js';
import { draftUnderline } from './underline.js';

/** What drafts changes for the checks of demands that name an approach. */
export const DRAFTERS: Readonly<Record<Approach, readonly Drafter[]>> = {
  text: [draftOpacity, draftText, draftGround, draftSize],
  icon: [draftIcon],
  edge: [draftEdge],
  ring: [draftRing],
  underline: [draftUnderline],
  timing: [draftTiming],
  stop: [draftStop],
  'less-motion': [draftLessMotion],
  // What the state of another member does is no value of this one.
  others: [],
};
