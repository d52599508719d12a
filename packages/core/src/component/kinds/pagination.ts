import { textDemand, type Kind } from '../kind.js';
import { BOX_ROWS, TARGET_ROWS } from '../rows.js';
import { isCalled, isHtml, isInside, isNav, PAGES } from '../signs.js';

export const PAGINATION: Kind = {
  name: 'pagination',
  label: 'Pagination',
  plural: 'paginations',
  claims: true,
  parts: [
    { name: 'ground', label: 'Ground', find: [':scope'], states: ['default'], first: ['text', ...BOX_ROWS] },
    {
      name: 'link',
      label: 'Page',
      find: [':scope li > a:not([rel])', ':scope a:not([rel])'],
      states: ['default', 'hover', 'focus', 'pressed', 'current', 'current+hover'],
      first: TARGET_ROWS,
    },
    {
      name: 'step',
      label: 'Previous and next',
      find: [':scope a[rel]', ':scope a:is([class*=prev], [class*=next])'],
      states: ['default', 'hover', 'focus', 'pressed', 'disabled'],
      first: TARGET_ROWS,
    },
    {
      name: 'gap',
      label: 'Gap',
      find: [':scope li > span', ':scope [class*=gap]'],
      states: ['default'],
      first: ['text', 'padding', 'opacity'],
    },
  ],
  demands: [textDemand('link', 'Page on background'), textDemand('step', 'Step on background')],
  recognise: (element) =>
    (isNav(element) || isHtml(element, 'ul', 'ol', 'div')) &&
    isCalled(element, PAGES) &&
    !isInside(element, (node) => isCalled(node, PAGES))
      ? 1
      : 0,
  named: () => 'Pagination',
  starter: {
    html: '<nav class="rq-pages" aria-label="Pagination"><ul><li><a href="#" aria-current="page">1</a></li><li><a href="#">2</a></li></ul></nav>',
    css: '.rq-pages ul { display: flex; gap: .25em; list-style: none; margin: 0; padding: 0 }\n.rq-pages a { padding: .5em .9em; border-radius: 6px; color: #1f4e5f; text-decoration: none }\n.rq-pages a:hover { background: #e4e9ea }\n.rq-pages a[aria-current] { background: #1f4e5f; color: #fff }\n.rq-pages a:focus-visible { outline: 2px solid #1f4e5f; outline-offset: 2px }',
  },
};
