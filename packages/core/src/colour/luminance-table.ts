import { LINEAR_STEPS } from './light.js';

const weighed = (share: number) => LINEAR_STEPS.map((value) => value * share);
/** What a step of red, green and blue adds to the relative luminance. */
export const RED_LUMINANCE = weighed(0.2126);
export const GREEN_LUMINANCE = weighed(0.7152);
export const BLUE_LUMINANCE = weighed(0.0722);
