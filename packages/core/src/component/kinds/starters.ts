import { lookup } from '../../base/lookup.js';
import type { Starter } from '../kind.js';
import { ACCENT_LINE, ACCENT_LINE_STARTER } from './accent-line.js';
import { ACCORDION } from './accordion.js';
import { ACCORDION_STARTER } from './accordion-starter.js';
import { ANNOUNCEMENT } from './announcement.js';
import { ANNOUNCEMENT_STARTER } from './announcement-starter.js';
import { BREADCRUMB, BREADCRUMB_STARTER } from './breadcrumb.js';
import { BUTTON, BUTTON_STARTER } from './button.js';
import { CARD, CARD_STARTER } from './card.js';
import { COOKIE_NOTICE } from './cookie-notice.js';
import { COOKIE_NOTICE_STARTER } from './cookie-notice-starter.js';
import { COUNTDOWN } from './countdown.js';
import { COUNTDOWN_STARTER } from './countdown-starter.js';
import { DIALOG } from './dialog.js';
import { DIALOG_STARTER } from './dialog-starter.js';
import { FORM, FORM_STARTER } from './form.js';
import { LINK_LIST, LINK_LIST_STARTER } from './link-list.js';
import { LINK, LINK_STARTER } from './link.js';
import { MENU } from './menu.js';
import { MENU_STARTER } from './menu-starter.js';
import { PAGINATION, PAGINATION_STARTER } from './pagination.js';
import { PANEL, PANEL_STARTER } from './panel.js';
import { PROGRESS, PROGRESS_STARTER } from './progress.js';
import { SCROLLBAR, SCROLLBAR_STARTER } from './scrollbar.js';
import { SIGN_IN, SIGN_IN_STARTER } from './sign-in.js';
import { TABS } from './tabs.js';
import { TABS_STARTER } from './tabs-starter.js';
import { TICKER } from './ticker.js';
import { TICKER_STARTER } from './ticker-starter.js';
import { TOOLTIP } from './tooltip.js';
import { TOOLTIP_STARTER } from './tooltip-starter.js';

const STARTERS: Readonly<Record<string, Starter>> = lookup({
  [ACCENT_LINE.name]: ACCENT_LINE_STARTER,
  [ACCORDION.name]: ACCORDION_STARTER,
  [ANNOUNCEMENT.name]: ANNOUNCEMENT_STARTER,
  [BREADCRUMB.name]: BREADCRUMB_STARTER,
  [BUTTON.name]: BUTTON_STARTER,
  [CARD.name]: CARD_STARTER,
  [COOKIE_NOTICE.name]: COOKIE_NOTICE_STARTER,
  [COUNTDOWN.name]: COUNTDOWN_STARTER,
  [DIALOG.name]: DIALOG_STARTER,
  [FORM.name]: FORM_STARTER,
  [LINK_LIST.name]: LINK_LIST_STARTER,
  [LINK.name]: LINK_STARTER,
  [MENU.name]: MENU_STARTER,
  [PAGINATION.name]: PAGINATION_STARTER,
  [PANEL.name]: PANEL_STARTER,
  [PROGRESS.name]: PROGRESS_STARTER,
  [SCROLLBAR.name]: SCROLLBAR_STARTER,
  [SIGN_IN.name]: SIGN_IN_STARTER,
  [TABS.name]: TABS_STARTER,
  [TICKER.name]: TICKER_STARTER,
  [TOOLTIP.name]: TOOLTIP_STARTER,
});

/** What a component of a kind starts from when it is made anew; undefined for a kind that is never made. */
export const starterOf = (kind: string): Starter | undefined => STARTERS[kind];
