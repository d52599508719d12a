import type { Behaviour } from './behaviour.js';

/** A tip that Escape puts away. */
export const TIP_ESCAPE: Behaviour = { name: 'tooltip', label: 'Escape puts it away', rows: [] };
