import { over } from '../colour/composite.js';
import { contrastRatio } from '../colour/contrast.js';
import type { Rgba } from '../colour/rgba.js';

/** Two colours side by side with less than this ratio nobody tells apart. */
export const SEEN = 1.05;

/** True where something in a colour, which may let through, is seen on an opaque ground. */
export const isSeenOn = (colour: Rgba, ground: Rgba): boolean => contrastRatio(over(colour, ground), ground) >= SEEN;
