export * from './easing.js';
export * from './functions.js';
export * from './gradient.js';
export * from './quantity.js';
export * from './shadow.js';
export * from './transition.js';
export * from './layers.js';
