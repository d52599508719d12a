import { withFurther } from '../further.js';
import type { Kind } from '../kind.js';
import { ACCENT_LINE } from './accent-line.js';
import { ACCORDION } from './accordion.js';
import { ANNOUNCEMENT } from './announcement.js';
import { BLOCK } from './block.js';
import { BREADCRUMB } from './breadcrumb.js';
import { BUTTON } from './button.js';
import { CARD } from './card.js';
import { COOKIE_NOTICE } from './cookie-notice.js';
import { COUNTDOWN } from './countdown.js';
import { DIALOG } from './dialog.js';
import { FORM } from './form.js';
import { LINK_LIST } from './link-list.js';
import { LINK } from './link.js';
import { MENU } from './menu.js';
import { PAGINATION } from './pagination.js';
import { PANEL } from './panel.js';
import { PROGRESS } from './progress.js';
import { SCROLLBAR } from './scrollbar.js';
import { SECTION } from './section.js';
import { SIGN_IN } from './sign-in.js';
import { TABS } from './tabs.js';
import { TICKER } from './ticker.js';
import { TOOLTIP } from './tooltip.js';

const RECOGNISED: readonly Kind[] = [
  MENU,
  BREADCRUMB,
  ANNOUNCEMENT,
  COOKIE_NOTICE,
  DIALOG,
  SIGN_IN,
  FORM,
  TABS,
  ACCORDION,
  PAGINATION,
  TOOLTIP,
  CARD,
  PANEL,
  COUNTDOWN,
  TICKER,
  LINK_LIST,
  PROGRESS,
  ACCENT_LINE,
  BUTTON,
  LINK,
];

/** Every kind, the more particular first. A scrollbar holds nothing. */
export const KINDS: readonly Kind[] = [...RECOGNISED.map((kind) => withFurther(kind)), SCROLLBAR];

/** Kinds of what is taken as what it is, and never recognised. */
const TAKEN: readonly Kind[] = [SECTION, BLOCK].map((kind) => withFurther(kind, true));

export const kindNamed = (name: string): Kind | undefined => [...KINDS, ...TAKEN].find((kind) => kind.name === name);
