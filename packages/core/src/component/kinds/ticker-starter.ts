import { TICKER_RUN } from '../behaviours/ticker.js';
import { markupOf } from '../behaviours/behaviour.js';
import { TICKER_CSS } from '../behaviours/css.js';
import type { Starter } from '../kind.js';

export const TICKER_STARTER: Starter = {
  html: `<section class="rq-ticker" aria-label="News">
  <ul>
    <li>Seals seen at the lighthouse</li>
    <li>Bicycles travel free</li>
    <li><a href="#">New: the night boat</a></li>
  </ul>
  <button type="button" class="pause" data-do="pause" aria-label="Pause the line">‖</button>
  ${markupOf(TICKER_RUN)}
</section>`,
  css: `.rq-ticker { position: relative; overflow: auto; background: #0f2831; color: #fff }
.rq-ticker ul { display: flex; gap: 2em; list-style: none; margin: 0; padding: .8em 0; white-space: nowrap }
.rq-ticker li + li::before { content: "•" / ""; margin-right: 2em }
.rq-ticker a { color: inherit }
.rq-ticker .pause { display: none; position: absolute; inset: 0 0 0 auto; width: 3em; border: 0; background: #0f2831; color: #fff; font: inherit; cursor: pointer }
.rq-ticker[data-running] .pause { display: block }
.rq-ticker .pause[aria-pressed="true"] { box-shadow: inset 0 0 0 2px currentColor }
.rq-ticker :is(a, button):focus-visible { outline: 2px solid currentColor; outline-offset: -2px }
${TICKER_CSS}`,
};
