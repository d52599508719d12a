/** Colours: read, printed, laid over each other, compared, and the nearest that passes. */

export * from '../colour/composite.js';
export * from '../colour/contrast.js';
export * from '../colour/oklch.js';
export * from '../colour/parse.js';
export * from '../colour/print.js';
export { COLOUR_FORMATS, formatColour, formatOf, type ColourFormat } from '../colour/formats.js';
export * from '../colour/rgba.js';
export * from '../colour/vision.js';
export { difference } from '../colour/difference.js';
export { leastAlpha, nearestOf, nearestPassing, type Nearest } from '../colour/nearest.js';
