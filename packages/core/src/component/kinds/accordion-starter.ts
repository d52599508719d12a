import { markupOf } from '../behaviours/behaviour.js';
import { ACCORDION_OPEN } from '../behaviours/accordion.js';
import type { Starter } from '../kind.js';

export const ACCORDION_STARTER: Starter = {
  html: `<div class="rq-accordion"><details><summary>May I bring a dog?</summary><p>Yes, free of charge.</p></details><details><summary>And a piano?</summary><p>Ask the crew.</p></details>${markupOf(ACCORDION_OPEN)}</div>`,
  css: '.rq-accordion summary { padding: .8em 1em; cursor: pointer; background: #e4e9ea; color: #14262c }\n.rq-accordion summary:hover { background: #d3dbdd }\n.rq-accordion summary:focus-visible { outline: 2px solid #1f4e5f }\n.rq-accordion details > :not(summary) { padding: 0 1em }',
};
