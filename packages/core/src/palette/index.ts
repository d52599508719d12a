export * from './colour-list.js';
export * from './in-value.js';
export * from './near.js';
export * from './pairs.js';
export * from './steps.js';
export * from './swatch.js';
export * from './tokens.js';
