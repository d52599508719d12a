import type { ElementNode } from '../../tree/tree.js';
import type { Row } from '../row.js';
import { ACCORDION_OPEN } from './accordion.js';
import { APPEARING } from './appear.js';
import { elementOf, type Behaviour } from './behaviour.js';
import { CONSENT } from './consent.js';
import { COUNTING } from './countdown.js';
import { MENU_KEYS } from './menu.js';
import { NOTICES } from './notices.js';
import { TABS_SWITCH } from './tabs.js';
import { TICKER_RUN } from './ticker.js';
import { TIP_ESCAPE } from './tooltip.js';

export { elementOf, markupOf, type Behaviour } from './behaviour.js';

/** All that components can do. Adding one is one file here, named in this list, and one of its name in the script. */
export const BEHAVIOURS: readonly Behaviour[] = [
  NOTICES,
  TICKER_RUN,
  COUNTING,
  APPEARING,
  CONSENT,
  MENU_KEYS,
  TABS_SWITCH,
  ACCORDION_OPEN,
  TIP_ESCAPE,
];

/** The behaviours that an element has: a child of it sets each going. */
export const behavioursOf = (element: ElementNode): readonly Behaviour[] =>
  BEHAVIOURS.filter((behaviour) => element.children.some(({ name }) => name === elementOf(behaviour)));

/** Their settings, each once. */
export const settingRows = (behaviours: readonly Behaviour[]): readonly Row[] => [
  ...new Set(behaviours.flatMap(({ rows }) => rows)),
];

/** All settings of all behaviours; some are shared, such as the time zone. */
export const SETTING_ROWS: readonly Row[] = settingRows(BEHAVIOURS);

/** Names of the behaviours that some markup sets going. */
export const behavioursNamed = (html: string): string[] =>
  BEHAVIOURS.flatMap((behaviour) => (html.includes(`<${elementOf(behaviour)}`) ? [behaviour.name] : []));
