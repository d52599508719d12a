import { linear } from './contrast.js';

/** Linear-light value of each of the 256 steps of a channel (WCAG 2.2, relative luminance). */
export const LINEAR_STEPS: Float64Array = Float64Array.from({ length: 256 }, (_, i) => linear(i / 255));

const weighed = (share: number) => LINEAR_STEPS.map((value) => value * share);
/** What a step of red, green and blue adds to the relative luminance. */
export const RED_LUMINANCE = weighed(0.2126);
export const GREEN_LUMINANCE = weighed(0.7152);
export const BLUE_LUMINANCE = weighed(0.0722);
