import { COUNTING } from '../behaviours/countdown.js';
import { markupOf } from '../behaviours/behaviour.js';
import { COUNTING_CSS } from '../behaviours/css.js';
import type { Starter } from '../kind.js';

const count = (unit: string, digits: string) =>
  `<div class="count" data-count="${unit}"><b class="digit">${digits}</b> <small>${unit}</small></div>`;

export const COUNTDOWN_STARTER: Starter = {
  html: `<div class="rq-countdown" role="timer" aria-labelledby="rq-countdown-title">
  <h3 id="rq-countdown-title">The summer timetable begins</h3>
  <div class="counts">
    ${count('days', '12')}
    ${count('hours', '07')}
    ${count('minutes', '45')}
    ${count('seconds', '30')}
  </div>
  <p class="after" data-end hidden>It has begun. <a href="#">See the boats</a></p>
  ${markupOf(COUNTING)}
</div>`,
  css: `.rq-countdown { padding: 1.4em; border-radius: 10px; background: #0f2831; color: #fff; text-align: center }
.rq-countdown h3 { margin: 0 0 .6em; color: inherit; font-size: 1.2em }
.rq-countdown .counts { display: flex; flex-wrap: wrap; justify-content: center; gap: 1.4em }
.rq-countdown .digit { display: block; color: inherit; font-size: 2.4em; line-height: 1.1 }
.rq-countdown .after { margin: 0; color: inherit; font-size: 1.2em }
.rq-countdown a { color: inherit }
${COUNTING_CSS}`,
};
