import type { Kind } from '../kind.js';
import { ACCENT_LINE } from './accent-line.js';
import { ACCORDION } from './accordion.js';
import { ANNOUNCEMENT } from './announcement.js';
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
import { SCROLLBAR } from './scrollbar.js';
import { SIGN_IN } from './sign-in.js';
import { TABS } from './tabs.js';
import { TICKER } from './ticker.js';
import { TOOLTIP } from './tooltip.js';

/** Every kind, the more particular first. */
export const KINDS: readonly Kind[] = [
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
  ACCENT_LINE,
  BUTTON,
  LINK,
  SCROLLBAR,
];

export const kindNamed = (name: string): Kind | undefined => KINDS.find((kind) => kind.name === name);
