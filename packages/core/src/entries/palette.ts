/** Palettes: swatches, pairs of them, design tokens, and where a site has its colours. */

export * from '../palette/index.js';
