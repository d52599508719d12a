import { APPEARING } from '../behaviours/appear.js';
import { behavioursOf } from '../behaviours/index.js';
import { NOTICES } from '../behaviours/notices.js';
import { textDemand, type Kind, type Signs } from '../kind.js';
import { BOX_ROWS, ICON_ROWS, MESSAGE_ROWS, TARGET_ROWS } from '../rows.js';
import { COOKIE, isCalled, isHtml, find, isInside, roleOf } from '../signs.js';
import { POINTED } from '../states.js';
import type { StyledPage } from '../../css/cascade/page-styles.js';
import type { ElementNode } from '../../tree/tree.js';
import { hasRoom, holdings, isCloser, isSmall, paints, standsFirst, staysAtEdge, textLength } from '../shape.js';

const NAMED = /(^|[-_\s])(announce(ment)?|notice|notice-?bar|alert-?bar|promo-?bar|top-?bar|banner-?bar)([-_\s]|$)/i;
const LONGEST = 900;
const LONGEST_MESSAGE = 400;

const isNamed = (element: ElementNode): boolean =>
  isCalled(element, NAMED) || (isHtml(element, 'aside') && /^(status|alert|region)$/.test(roleOf(element)));

/** A box with a ground of its own and room in it, which says something and can be closed, or says that it is an alert. */
const isMessage = (element: ElementNode, page: StyledPage): boolean => {
  if (
    textLength(element) > LONGEST_MESSAGE ||
    !isSmall(element) ||
    find(element, (node) => isHtml(node, 'h1', 'h2', 'ul', 'nav', 'img'))
  )
    return false;
  const style = page.of(element);
  if (!paints(style) || !hasRoom(style, 8, 4) || staysAtEdge(style)) return false;
  return /^(alert|status)$/.test(roleOf(element)) || element.children.some(isCloser);
};

/** A strip before all else on the page, with a ground of its own and a few words in it. */
const isStrip = (element: ElementNode, page: StyledPage): boolean =>
  element.parent?.name === 'body' &&
  standsFirst(element) &&
  textLength(element) >= 8 &&
  textLength(element) <= LONGEST_MESSAGE &&
  page.of(element).colour('background-color').alpha > 0 &&
  !find(element, (node) => isHtml(node, 'h1', 'h2', 'nav', 'img', 'header', 'ul')) &&
  element.parent.children.slice(element.siblingIndex + 1).some((next) => isHtml(next, 'header', 'nav', 'main', 'div'));

export const ANNOUNCEMENT: Kind = {
  name: 'announcement',
  label: 'Announcement bar',
  plural: 'announcement bars',
  claims: true,
  behaviours: [NOTICES, APPEARING],
  parts: [
    {
      name: 'ground',
      label: 'Ground',
      find: [':scope'],
      states: ['default'],
      first: ['text', ...BOX_ROWS, 'text-align', 'font-size'],
    },
    {
      name: 'message',
      label: 'Message',
      find: [':scope p', ':scope li', ':scope [class*=message]'],
      states: ['default'],
      first: MESSAGE_ROWS,
    },
    { name: 'link', label: 'Link', find: [':scope a'], states: POINTED, first: TARGET_ROWS },
    {
      name: 'arrow',
      label: 'Arrows',
      find: [':scope button:is([data-do=previous], [data-do=next], [class*=prev], [class*=next], [class*=arrow])'],
      states: POINTED,
      first: TARGET_ROWS,
    },
    {
      name: 'close',
      label: 'Close',
      find: [
        ':scope button:is([data-do=close], [class*=close], [class*=dismiss], [aria-label*=lose], [aria-label*=ismiss], [aria-label*=ide])',
      ],
      states: POINTED,
      first: TARGET_ROWS,
    },
    {
      name: 'pause',
      label: 'Pause',
      find: [':scope [data-do=pause]', ':scope button:is([class*=pause], [class*=stop], [aria-label*=ause])'],
      states: POINTED,
      first: TARGET_ROWS,
    },
    { name: 'icon', label: 'Icon', find: [':scope svg:not(button svg)'], states: ['default'], first: ICON_ROWS },
  ],
  demands: [
    textDemand('message', 'Message on background'),
    textDemand('link', 'Link on background'),
    { name: 'arrow', label: 'Arrows against background', part: 'arrow', criterion: '1.4.11', of: 'icon' },
    { name: 'pause', label: 'Pause against background', part: 'pause', criterion: '1.4.11', of: 'icon' },
    { name: 'close', label: 'Close against background', part: 'close', criterion: '1.4.11', of: 'icon' },
  ],
};

export const ANNOUNCEMENT_SIGNS: Signs = {
  kind: ANNOUNCEMENT,
  recognise(element, page) {
    if (!isHtml(element, 'aside', 'div', 'section', 'p')) return 0;
    if (behavioursOf(element).includes(NOTICES)) return 0.95;
    if (isCalled(element, COOKIE) || textLength(element) > LONGEST || !textLength(element)) return 0;
    if (isInside(element, (node) => isNamed(node) || isCalled(node, COOKIE) || isHtml(node, 'form', 'dialog', 'nav')))
      return 0;
    if (holdings(element).has('field')) return 0;
    if (isNamed(element)) return 0.9;
    return isMessage(element, page) || isStrip(element, page) ? 0.8 : 0;
  },
};
