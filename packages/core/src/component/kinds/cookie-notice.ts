import { behavioursOf } from '../behaviours/index.js';
import { CONSENT } from '../behaviours/consent.js';
import { textDemand, type Kind, type Signs, type Part } from '../kind.js';
import { BOX_ROWS, MESSAGE_ROWS, TARGET_ROWS } from '../rows.js';
import type { StyledPage } from '../../css/cascade/page-styles.js';
import { readableText, type ElementNode } from '../../tree/tree.js';
import { COOKIE, find, isButtonElement, isCalled, isHtml, isInside, roleOf } from '../signs.js';
import { staysAtEdge, textLength } from '../shape.js';
import { POINTED } from '../states.js';

/** What such notices speak of, in languages that have a word of their own for it too. */
const SPEAKS = /cookie|кук|クッキー|쿠키|piškot|ciastecz/i;
const LONGEST = 2500;

/** Called one; or a panel that stays in the window, or opens over it, and speaks of cookies. */
const isNotice = (element: ElementNode, page: StyledPage): boolean =>
  behavioursOf(element).includes(CONSENT) ||
  isCalled(element, COOKIE) ||
  ((staysAtEdge(page.of(element)) || roleOf(element) === 'dialog' || isHtml(element, 'dialog')) &&
    textLength(element) < LONGEST &&
    SPEAKS.test(readableText(element)) &&
    find(element, isButtonElement) !== undefined);

const PREFERENCES = ':is([class*=preference], [class*=setting], fieldset)';
const button = (name: string, label: string, find: readonly string[]): Part => ({
  name,
  label,
  find,
  states: POINTED,
  first: TARGET_ROWS,
});

export const COOKIE_NOTICE: Kind = {
  name: 'cookie-notice',
  label: 'Cookie notice',
  plural: 'cookie notices',
  claims: true,
  behaviours: [CONSENT],
  parts: [
    { name: 'panel', label: 'Panel', find: [':scope'], states: ['default'], first: ['text', ...BOX_ROWS, 'width'] },
    {
      name: 'title',
      label: 'Title',
      find: [`:scope :is(h1, h2, h3, h4):not(${PREFERENCES} *)`],
      states: ['default'],
      first: MESSAGE_ROWS,
    },
    {
      name: 'message',
      label: 'Text',
      find: [`:scope p:not(${PREFERENCES} *)`],
      states: ['default'],
      first: MESSAGE_ROWS,
    },
    { name: 'link', label: 'Link', find: [':scope a'], states: POINTED, first: TARGET_ROWS },
    button('accept', 'Accept', [':scope button:is([class*=accept], [class*=agree], [class*=allow], [value=all])']),
    button('refuse', 'Refuse', [':scope button:is([class*=refuse], [class*=reject], [class*=decline], [class*=deny])']),
    button('choose', 'Choose', [':scope button:is([class*=choose], [class*=manage], [class*=customi])']),
    {
      name: 'preferences',
      label: 'Preferences panel',
      find: [`:scope ${PREFERENCES}:not(${PREFERENCES} *)`],
      states: ['default'],
      first: ['text', ...BOX_ROWS],
    },
    {
      name: 'preferences-title',
      label: 'Preferences title',
      find: [`:scope ${PREFERENCES} :is(h2, h3, h4, legend)`],
      states: ['default'],
      first: MESSAGE_ROWS,
    },
    {
      name: 'preferences-text',
      label: 'Preferences text',
      find: [`:scope ${PREFERENCES} :is(p, label)`],
      states: ['default'],
      first: MESSAGE_ROWS,
    },
    {
      name: 'switch',
      label: 'Switch',
      find: [':scope input[type=checkbox]', ':scope [role=switch]'],
      states: ['default', 'hover', 'focus', 'checked', 'disabled'],
      first: ['accent-color', 'background', 'border', 'outline', 'border-radius', 'width', 'height'],
    },
    button('save', 'Save choices', [':scope button:is([class*=save], [class*=confirm])']),
    button('reopen', 'Opens it again', [
      ':scope ~ button:is([class*=cookie], [class*=consent])',
      ':scope button:is([class*=reopen], [class*=again])',
    ]),
  ],
  siblings: ['accept', 'refuse'],
  demands: [
    textDemand('title', 'Title on panel'),
    textDemand('message', 'Text on panel'),
    textDemand('link', 'Link on panel'),
    textDemand('accept', 'Accept on background'),
    textDemand('refuse', 'Refuse on background'),
    textDemand('choose', 'Choose on background'),
    textDemand('preferences-title', 'Preferences title on panel'),
    textDemand('preferences-text', 'Preferences text on panel'),
    textDemand('save', 'Save on background'),
    textDemand('reopen', 'Reopening control on background'),
  ],
};

export const COOKIE_NOTICE_SIGNS: Signs = {
  kind: COOKIE_NOTICE,
  recognise(element, page) {
    if (!isHtml(element, 'div', 'section', 'aside', 'dialog', 'form')) return 0;
    if (!isNotice(element, page) || !find(element, isButtonElement)) return 0;
    return isInside(element, (node) => !isHtml(node, 'body', 'html') && isNotice(node, page)) ? 0 : 1;
  },
  named: () => 'Cookie notice',
};
