import { CONSENT } from '../behaviours/consent.js';
import { markupOf } from '../behaviours/behaviour.js';
import type { Starter } from '../kind.js';

export const COOKIE_NOTICE_STARTER: Starter = {
  html: `<section class="rq-cookies" aria-label="Cookies">
  <p>May we count visits?</p>
  <button type="button" class="accept" data-choice="all">Accept</button>
  <button type="button" class="refuse" data-choice="none">Refuse</button>
  ${markupOf(CONSENT)}
</section>`,
  css: '.rq-cookies { position: fixed; inset: auto 1rem 1rem; max-width: 28rem; padding: 1.2rem; border-radius: 10px; background: #0f2831; color: #fff }\n.rq-cookies p { color: inherit }\n.rq-cookies button { padding: .6em 1.1em; border: 2px solid #fff; border-radius: 6px; background: #fff; color: #0f2831; cursor: pointer }\n.rq-cookies .refuse { background: transparent; color: #fff }\n.rq-cookies button:focus-visible { outline: 3px solid #fff; outline-offset: 2px }\n@media (scripting: none) { .rq-cookies { display: none } }',
};
