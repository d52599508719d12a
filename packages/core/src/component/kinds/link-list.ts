import type { StyledPage } from '../../css/cascade/page-styles.js';
import { hasOwnText, type ElementNode } from '../../tree/tree.js';
import { textDemand, type Kind, type Signs, type Starter } from '../kind.js';
import { ICON_ROWS, MESSAGE_ROWS, TARGET_ROWS } from '../rows.js';
import { CRUMBS, hasClass, headingText, isCalled, isHtml, isInside, isLinkElement, isNav, PAGES } from '../signs.js';
import { holdings, linkItems, textLength } from '../shape.js';
import { POINTED } from '../states.js';

const listsLinks = (element: ElementNode): boolean => {
  if (!isHtml(element, 'ul', 'ol')) return false;
  const { items, links } = linkItems(element);
  return links >= 2 && links >= items * 0.7;
};

const STACKED = new Set(['block', 'flex', 'grid', 'list-item']);

/** Links below each other that are all that a box holds, without being a list to who hears the page. */
const stacksLinks = (element: ElementNode, page: StyledPage): boolean =>
  isHtml(element, 'div', 'section', 'aside') &&
  element.children.length >= 3 &&
  !hasOwnText(element) &&
  element.children.every(
    (child) =>
      isLinkElement(child) &&
      textLength(child) > 0 &&
      STACKED.has(page.of(child).text('display')) &&
      !['heading', 'picture', 'field'].some((one) => holdings(child).has(one)),
  );

/** Links in a list, and little else: of a footer, or a row of icons of other places where one can be found. */
export const LINK_LIST: Kind = {
  name: 'link-list',
  label: 'Link list',
  plural: 'link lists',
  claims: true,
  parts: [
    {
      name: 'list',
      label: 'List',
      find: [':scope:is(ul, ol)', ':scope > :is(ul, ol)', ':scope:not(:has(> :not(a)))'],
      states: ['default'],
      first: ['gap', 'list-style-type', 'padding', 'margin', 'background'],
    },
    {
      name: 'item',
      label: 'Item',
      find: [':scope li'],
      states: ['default'],
      first: ['margin', 'padding', 'list-style-type', 'border'],
    },
    { name: 'link', label: 'Link', find: [':scope a'], states: POINTED, first: TARGET_ROWS },
    {
      name: 'icon',
      label: 'Icon',
      find: [':scope a svg', ':scope a [class*=icon]'],
      carrier: 'link',
      states: POINTED,
      first: ICON_ROWS,
    },
    { name: 'heading', label: 'Heading', find: [':scope :is(h2, h3, h4)'], states: ['default'], first: MESSAGE_ROWS },
  ],
  demands: [
    textDemand('link', 'Link on background'),
    { name: 'icon', label: 'Icon against background', part: 'icon', criterion: '1.4.11', of: 'icon' },
  ],
};

export const LINK_LIST_STARTER: Starter = {
  html: '<ul class="rq-links"><li><a href="#">First</a></li><li><a href="#">Second</a></li></ul>',
  css: '.rq-links { list-style: none; margin: 0; padding: 0; display: grid; gap: .5em }\n.rq-links a { color: #1f4e5f }\n.rq-links a:hover { color: #0f2831 }\n.rq-links a:focus-visible { outline: 2px solid currentColor; outline-offset: 2px }',
};

export const LINK_LIST_SIGNS: Signs = {
  kind: LINK_LIST,
  sort: (root) => (textLength(root) ? 'words' : 'pictures'),
  recognise(element, page) {
    if (isNav(element)) {
      const isFooter =
        isInside(element, (node) => isHtml(node, 'footer')) && !isCalled(element, CRUMBS) && !isCalled(element, PAGES);
      return isFooter && element.children.some(listsLinks) ? 0.9 : 0;
    }
    if (stacksLinks(element, page)) return isInside(element, isNav) ? 0 : 0.75;
    if (!listsLinks(element)) return 0;
    if (
      isInside(
        element,
        (node) =>
          isCalled(node, CRUMBS) ||
          isCalled(node, PAGES) ||
          isHtml(node, 'header', 'li') ||
          (isNav(node) && isInside(node, (outer) => isHtml(outer, 'footer'))),
      )
    )
      return 0;
    return isInside(element, isNav) ||
      hasClass(element, /social|links/i) ||
      isInside(element, (node) => isHtml(node, 'footer'))
      ? 0.85
      : 0.6;
  },
  named: (root) => (hasClass(root, /social/i) ? 'Social icons' : headingText(root)),
};
