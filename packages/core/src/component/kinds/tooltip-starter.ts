import { markupOf } from '../behaviours/behaviour.js';
import { TIP_ESCAPE } from '../behaviours/tooltip.js';
import type { Starter } from '../kind.js';

export const TOOLTIP_STARTER: Starter = {
  html: `<span class="rq-tip"><button type="button" aria-describedby="rq-tip-text">Half fare</button><span role="tooltip" id="rq-tip-text">With your harbour card.</span>${markupOf(TIP_ESCAPE)}</span>`,
  css: '.rq-tip { position: relative }\n.rq-tip [role=tooltip] { position: absolute; bottom: 100%; left: 0; padding: .5em .8em; border-radius: 6px; background: #0f2831; color: #fff; visibility: hidden }\n.rq-tip :is(button:hover, button:focus) ~ [role=tooltip] { visibility: visible }',
};
