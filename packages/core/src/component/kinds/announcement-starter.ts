import { APPEARING } from '../behaviours/appear.js';
import { NOTICES } from '../behaviours/notices.js';
import { markupOf } from '../behaviours/behaviour.js';
import { NOTICES_CSS } from '../behaviours/css.js';
import { TURNS } from '../behaviours/markup.js';
import type { Starter } from '../kind.js';

export const ANNOUNCEMENT_STARTER: Starter = {
  html: `<section class="rq-announcement" aria-label="Announcements">
  <ul>
    <li>Closed on Monday. <a href="#">Opening hours</a></li>
    <li>Bicycles travel free this month.</li>
    <li>The last boat waits for the concert. <a href="#">See when</a></li>
  </ul>
  ${TURNS}
  <button type="button" class="close" data-do="close" aria-label="Close">×</button>
  ${markupOf(NOTICES)}${markupOf(APPEARING)}
</section>`,
  css: `.rq-announcement { display: flex; gap: 1em; align-items: center; padding: .5em 1em; background: #1f4e5f; color: #fff }
.rq-announcement ul { flex: 1; margin: 0; padding: 0; list-style: none; text-align: center }
.rq-announcement li { padding: .3em 0 }
.rq-announcement a { color: inherit }
.rq-announcement button { min-width: 1.8em; min-height: 1.8em; border: 0; border-radius: 4px; background: none; color: inherit; font: inherit; font-size: 1.1em; cursor: pointer }
.rq-announcement button[aria-pressed="true"] { box-shadow: inset 0 0 0 2px currentColor }
.rq-announcement :is(a, button):focus-visible { outline: 2px solid currentColor; outline-offset: 2px }
.rq-announcement .rq-turns { display: none }
.rq-announcement[data-turning] .rq-turns { display: flex }
${NOTICES_CSS}`,
};
