import type { Start } from './script/behaviour.js';
import { accordion } from './script/accordion.js';
import { appear } from './script/appear.js';
import { consent } from './script/consent.js';
import { countdown } from './script/countdown.js';
import { menu } from './script/menu.js';
import { notices } from './script/notices.js';
import { tabs } from './script/tabs.js';
import { ticker } from './script/ticker.js';
import { tooltip } from './script/tooltip.js';

export type { Around, Running, Start } from './script/behaviour.js';
export { lasting, setting } from './script/settings.js';
export { momentOf } from './script/zoned.js';

/** Behaviours by their names; the element that sets one going is called `rq-` and its name. */
export const BEHAVIOURS: Readonly<Record<string, Start>> = {
  notices,
  ticker,
  countdown,
  appear,
  consent,
  menu,
  tabs,
  accordion,
  tooltip,
};
