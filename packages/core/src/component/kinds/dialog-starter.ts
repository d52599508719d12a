import { APPEARING } from '../behaviours/appear.js';
import { markupOf } from '../behaviours/behaviour.js';
import type { Starter } from '../kind.js';

export const DIALOG_STARTER: Starter = {
  html: `<dialog class="rq-dialog" id="rq-dialog" aria-labelledby="rq-dialog-title">
  <h2 id="rq-dialog-title">Before you go</h2>
  <p>Your place is held for twenty minutes.</p>
  <form method="dialog"><button>Go on</button></form>
  ${markupOf(APPEARING)}
</dialog>`,
  css: '.rq-dialog { padding: 1.6em; border: 0; border-radius: 12px; max-width: 28rem; color: #14262c }\n.rq-dialog :is(h2, p) { color: inherit }\n.rq-dialog::backdrop { background: rgb(15 40 49 / .6) }\n.rq-dialog button { padding: .7em 1.4em; border: 0; border-radius: 6px; background: #1f4e5f; color: #fff }',
};
