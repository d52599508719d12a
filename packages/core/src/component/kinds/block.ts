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
  recognise: () => 0,
  starter: {
    html: '<div class="rq-block"><h2>Before you travel</h2><p>Boarding ends ten minutes before sailing.</p></div>',
    css: '.rq-block { padding: 1.4em; border: 1px solid #b9c3c6; border-radius: 10px; background: #fff; color: #14262c }',
  },
};
