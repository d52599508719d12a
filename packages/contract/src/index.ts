export * from './asset.js';
export * from './change.js';
export * from './handover.js';
export * from './look.js';
export * from './problem.js';
export * from './site.js';
export * from './text.js';
export * from './geometry.js';
