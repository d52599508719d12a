import type { Kind, Signs } from '../kind.js';
import { ACCENT_LINE_SIGNS } from './accent-line.js';
import { ACCORDION_SIGNS } from './accordion.js';
import { ANNOUNCEMENT_SIGNS } from './announcement.js';
import { BREADCRUMB_SIGNS } from './breadcrumb.js';
import { BUTTON_SIGNS } from './button.js';
import { CARD_SIGNS } from './card.js';
import { COOKIE_NOTICE_SIGNS } from './cookie-notice.js';
import { COUNTDOWN_SIGNS } from './countdown.js';
import { DIALOG_SIGNS } from './dialog.js';
import { FORM_SIGNS } from './form.js';
import { LINK_SIGNS } from './link.js';
import { LINK_LIST_SIGNS } from './link-list.js';
import { MENU_SIGNS } from './menu.js';
import { PAGINATION_SIGNS } from './pagination.js';
import { PANEL_SIGNS } from './panel.js';
import { PROGRESS_SIGNS } from './progress.js';
import { SCROLLBAR_SIGNS } from './scrollbar.js';
import { SIGN_IN_SIGNS } from './sign-in.js';
import { TABS_SIGNS } from './tabs.js';
import { TICKER_SIGNS } from './ticker.js';
import { TOOLTIP_SIGNS } from './tooltip.js';

/** What tells components of each kind, the more particular kinds first. */
export const SIGNS: readonly Signs[] = [
  MENU_SIGNS,
  BREADCRUMB_SIGNS,
  ANNOUNCEMENT_SIGNS,
  COOKIE_NOTICE_SIGNS,
  DIALOG_SIGNS,
  SIGN_IN_SIGNS,
  FORM_SIGNS,
  TABS_SIGNS,
  ACCORDION_SIGNS,
  PAGINATION_SIGNS,
  TOOLTIP_SIGNS,
  CARD_SIGNS,
  PANEL_SIGNS,
  COUNTDOWN_SIGNS,
  TICKER_SIGNS,
  LINK_LIST_SIGNS,
  PROGRESS_SIGNS,
  ACCENT_LINE_SIGNS,
  BUTTON_SIGNS,
  LINK_SIGNS,
  SCROLLBAR_SIGNS,
];

/** The signs of a kind; undefined for one that is never recognised. */
export const signsOf = ({ name }: Pick<Kind, 'name'>): Signs | undefined =>
  SIGNS.find(({ kind }) => kind.name === name);
