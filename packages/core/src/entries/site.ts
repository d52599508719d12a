/** A site: its pages, the looks that they wear, and what is handed over. */

export * from '../site/index.js';
