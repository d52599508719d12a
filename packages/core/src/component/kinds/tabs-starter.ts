import { markupOf } from '../behaviours/behaviour.js';
import { TABS_SWITCH } from '../behaviours/tabs.js';
import type { Starter } from '../kind.js';

export const TABS_STARTER: Starter = {
  html: `<div class="rq-tabs"><div role="tablist" aria-label="Seasons"><button type="button" role="tab" id="rq-tab-1" aria-controls="rq-panel-1" aria-selected="true">Summer</button><button type="button" role="tab" id="rq-tab-2" aria-controls="rq-panel-2" aria-selected="false" tabindex="-1">Winter</button></div><div role="tabpanel" id="rq-panel-1" aria-labelledby="rq-tab-1" tabindex="0">Six sailings a day.</div><div role="tabpanel" id="rq-panel-2" aria-labelledby="rq-tab-2" tabindex="0">Three sailings a day.</div>${markupOf(TABS_SWITCH)}</div>`,
  css: '.rq-tabs [role=tab] { padding: .7em 1.2em; border: 0; border-bottom: 3px solid transparent; background: none; color: #14262c }\n.rq-tabs [role=tab][aria-selected=true] { border-color: #1f4e5f; font-weight: 600 }\n.rq-tabs [role=tab]:hover { background: #e4e9ea }\n.rq-tabs [role=tab]:focus-visible { outline: 2px solid #1f4e5f }\n.rq-tabs [role=tabpanel] { padding: 1.2em }',
};
