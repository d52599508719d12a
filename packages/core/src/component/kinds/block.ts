import type { Kind } from '../kind.js';
import { BOX_ROWS } from '../rows.js';

/** Anything that is no other kind: its ground, and what stands in it. It is taken by pointing, and never found by itself. */
export const BLOCK: Kind = {
  name: 'block',
  label: 'Block',
  plural: 'blocks',
  claims: true,
  parts: [
    {
      name: 'block',
      label: 'Block',
      find: [':scope'],
      states: ['default'],
      first: ['text', ...BOX_ROWS, 'margin', 'width', 'gap'],
    },
  ],
  demands: [],
};
