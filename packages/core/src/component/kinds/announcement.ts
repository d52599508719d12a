import { textDemand, type Kind } from '../kind.js';
import { BOX_ROWS, ICON_ROWS, MESSAGE_ROWS, TARGET_ROWS } from '../rows.js';
import { COOKIE, isCalled, isFieldElement, isHtml, find, isInside, roleOf } from '../signs.js';
import { POINTED } from '../states.js';
import { textOf } from '../../tree/tree.js';

const NAMED = /(^|[-_\s])(announce(ment)?|notice|notice-?bar|alert-?bar|promo-?bar|top-?bar|banner-?bar)([-_\s]|$)/i;
const LONGEST = 900;

export const ANNOUNCEMENT: Kind = {
  name: 'announcement',
  label: 'Announcement bar',
  plural: 'announcement bars',
  claims: true,
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
      find: [':scope button:is([class*=prev], [class*=next], [class*=arrow])'],
      states: POINTED,
      first: TARGET_ROWS,
    },
    {
      name: 'close',
      label: 'Close',
      find: [
        ':scope button:is([class*=close], [class*=dismiss], [aria-label*=lose], [aria-label*=ismiss], [aria-label*=ide])',
      ],
      states: POINTED,
      first: TARGET_ROWS,
    },
    { name: 'icon', label: 'Icon', find: [':scope svg:not(button svg)'], states: ['default'], first: ICON_ROWS },
  ],
  demands: [
    textDemand('message', 'Message on background'),
    textDemand('link', 'Link on background'),
    { name: 'arrow', label: 'Arrows against background', part: 'arrow', criterion: '1.4.11', of: 'icon' },
    { name: 'close', label: 'Close against background', part: 'close', criterion: '1.4.11', of: 'icon' },
  ],
  recognise(element) {
    if (!isHtml(element, 'aside', 'div', 'section', 'p')) return 0;
    if (!(isCalled(element, NAMED) || (isHtml(element, 'aside') && /^(status|alert|region)$/.test(roleOf(element)))))
      return 0;
    if (
      isCalled(element, COOKIE) ||
      isInside(element, (node) => isCalled(node, NAMED) || isCalled(node, COOKIE) || isHtml(node, 'form', 'dialog'))
    )
      return 0;
    return find(element, isFieldElement) || textOf(element).length > LONGEST ? 0 : 0.9;
  },
  starter: {
    html: '<aside class="rq-announcement" aria-label="Announcement"><p>Closed on Monday. <a href="#">Opening hours</a></p><button type="button" aria-label="Close">×</button></aside>',
    css: '.rq-announcement { display: flex; gap: 1em; align-items: center; justify-content: center; padding: .6em 1em; background: #1f4e5f; color: #fff }\n.rq-announcement p { margin: 0 }\n.rq-announcement a { color: inherit }\n.rq-announcement button { border: 0; background: none; color: inherit; font-size: 1.2em; cursor: pointer }\n.rq-announcement :is(a, button):focus-visible { outline: 2px solid currentColor; outline-offset: 2px }',
    needs: 'Closing needs a script that removes it and remembers so.',
  },
};
