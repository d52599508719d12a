import { textDemand, type Kind, type Signs, type Starter } from '../kind.js';
import { BOX_ROWS, TARGET_ROWS } from '../rows.js';
import type { StyledPage } from '../../css/cascade/page-styles.js';
import { readableText, type ElementNode } from '../../tree/tree.js';
import { holdings, isSmall, textLength } from '../shape.js';
import { CRUMBS, find, isCalled, isHtml, isInside, isLinkElement, isNav } from '../signs.js';
import { POINTED } from '../states.js';

const DIVIDES = /^[\s/\\›»>→⟩·|:-]+$/;
const LONGEST = 160;

const divides = (element: ElementNode, page: StyledPage): boolean =>
  (['before', 'after'] as const).some((pseudo) => {
    const content = page.of(element, pseudo).text('content');
    return /^"/.test(content) && DIVIDES.test(content.slice(1, -1));
  });

/** A few links in a line with marks between them, and a last one that leads nowhere: where the page is on its site. */
function isTrail(element: ElementNode, page: StyledPage): boolean {
  if (textLength(element) > LONGEST || !isSmall(element) || holdings(element).has('heading')) return false;
  const list = isHtml(element, 'ol', 'ul') ? element : element.children.find((child) => isHtml(child, 'ol', 'ul'));
  const items = list ? list.children.filter(({ name }) => name === 'li') : element.children;
  const links = items.filter((item) => isLinkElement(item) || (list && find(item, isLinkElement)));
  const last = items.at(-1);
  if (!links.length || links.length > 6 || !last) return false;
  const texts = element.content.filter((item): item is string => typeof item === 'string').map((text) => text.trim());
  const written = texts.filter((text) => DIVIDES.test(text)).length;
  const end = element.content.findLast((item) => typeof item !== 'string' || item.trim() !== '');
  const tail = typeof end === 'string' ? end.trim() : '';
  const marks = items.filter((item) => divides(item, page) || DIVIDES.test(readableText(item) || 'x')).length + written;
  const endsHere = list
    ? !find(last, isLinkElement) || last.attributes.has('aria-current')
    : !isLinkElement(last) || (tail !== '' && !DIVIDES.test(tail));
  return marks >= links.length - 1 && marks > 0 && endsHere && links.length >= items.length * 0.4;
}

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
};

export const BREADCRUMB_STARTER: Starter = {
  html: '<nav class="rq-crumbs" aria-label="Breadcrumb"><ol><li><a href="#">Start</a></li><li aria-current="page">Here</li></ol></nav>',
  css: '.rq-crumbs ol { list-style: none; display: flex; gap: .5em; margin: 0; padding: .6em 0 }\n.rq-crumbs li + li::before { content: "/"; margin-right: .5em }\n.rq-crumbs a { color: #1f4e5f }\n.rq-crumbs a:focus-visible { outline: 2px solid currentColor; outline-offset: 2px }',
};

export const BREADCRUMB_SIGNS: Signs = {
  kind: BREADCRUMB,
  recognise(element, page) {
    if (!isNav(element) && !isHtml(element, 'ol', 'ul', 'div', 'p')) return 0;
    const isOne = (node: ElementNode) => isCalled(node, CRUMBS) || isTrail(node, page);
    if (isInside(element, (node) => isOne(node) || isHtml(node, 'footer'))) return 0;
    return isCalled(element, CRUMBS) ? 1 : isTrail(element, page) ? 0.96 : 0;
  },
  named: () => 'Breadcrumb',
};
