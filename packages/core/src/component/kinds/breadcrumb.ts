import { textDemand, type Kind } from '../kind.js';
import { BOX_ROWS, TARGET_ROWS } from '../rows.js';
import { CRUMBS, isCalled, isHtml, isInside, isNav } from '../signs.js';
import { POINTED } from '../states.js';

/** As the ARIA Authoring Practices structure a breadcrumb: a labelled navigation with an ordered list. */
export const BREADCRUMB: Kind = {
  name: 'breadcrumb',
  label: 'Breadcrumb',
  plural: 'breadcrumbs',
  claims: true,
  parts: [
    {
      name: 'ground',
      label: 'Ground',
      find: [':scope'],
      states: ['default'],
      first: ['text', ...BOX_ROWS, 'font-size'],
    },
    { name: 'link', label: 'Link', find: [':scope a'], states: POINTED, first: TARGET_ROWS },
    {
      name: 'separator',
      label: 'Separator',
      find: [':scope li + li', ':scope a + a'],
      pseudo: 'before',
      states: ['default'],
      first: ['content', 'text', 'opacity', 'margin', 'font-size'],
    },
    {
      name: 'last',
      label: 'Last item',
      find: [':scope li[aria-current]', ':scope [aria-current]:not(a)', ':scope li:last-child:not(:has(a))'],
      states: ['default'],
      first: ['text', 'font-weight', 'font-size'],
    },
  ],
  demands: [textDemand('link', 'Link on background'), textDemand('last', 'Last item on background')],
  recognise(element) {
    if (!isCalled(element, CRUMBS) || isInside(element, (node) => isCalled(node, CRUMBS))) return 0;
    return isNav(element) || isHtml(element, 'ol', 'ul', 'div', 'p') ? 1 : 0;
  },
  named: () => 'Breadcrumb',
  starter: {
    html: '<nav class="rq-crumbs" aria-label="Breadcrumb"><ol><li><a href="#">Start</a></li><li aria-current="page">Here</li></ol></nav>',
    css: '.rq-crumbs ol { list-style: none; display: flex; gap: .5em; margin: 0; padding: .6em 0 }\n.rq-crumbs li + li::before { content: "/"; margin-right: .5em }\n.rq-crumbs a { color: #1f4e5f }\n.rq-crumbs a:focus-visible { outline: 2px solid currentColor; outline-offset: 2px }',
  },
};
