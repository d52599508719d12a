/** All of the core; each part can be had by itself, as `@retoque/core/cascade`. */
export * from './entries/cascade.js';
export * from './entries/colour.js';
export * from './entries/palette.js';
export * from './entries/paint.js';
export * from './entries/check.js';
export * from './entries/component.js';
export * from './entries/remedy.js';
export * from './entries/handover.js';
export * from './entries/site.js';
