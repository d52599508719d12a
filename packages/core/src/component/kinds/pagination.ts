import { textDemand, type Kind, type Signs, type Starter } from '../kind.js';
import { BOX_ROWS, TARGET_ROWS } from '../rows.js';
import { descendants, readableText, type ElementNode } from '../../tree/tree.js';
import { holdings, isSmall, textLength } from '../shape.js';
import { isButtonElement, isCalled, isHtml, isInside, isLinkElement, isNav, PAGES } from '../signs.js';

const LONGEST = 120;

/** Links to pages by their numbers, one after the other. */
const isNumbered = (element: ElementNode): boolean => {
  if (textLength(element) > LONGEST || !isSmall(element) || !holdings(element).has('target')) return false;
  const targets = [...descendants(element)].filter((node) => isLinkElement(node) || isButtonElement(node));
  const numbers = targets.flatMap((node) =>
    /^\d{1,4}$/.test(readableText(node).trim()) ? [Number(readableText(node))] : [],
  );
  const rising = numbers.filter((number, i) => i > 0 && number > numbers[i - 1]!).length;
  return numbers.length >= 2 && rising === numbers.length - 1 && numbers.length >= targets.length / 2;
};

const isPlace = (element: ElementNode): boolean => isNav(element) || isHtml(element, 'ul', 'ol', 'div');
const isNamed = (element: ElementNode): boolean => isPlace(element) && isCalled(element, PAGES);

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
};

export const PAGINATION_STARTER: Starter = {
  html: '<nav class="rq-pages" aria-label="Pagination"><ul><li><a href="#" aria-current="page">1</a></li><li><a href="#">2</a></li></ul></nav>',
  css: '.rq-pages ul { display: flex; gap: .25em; list-style: none; margin: 0; padding: 0 }\n.rq-pages a { padding: .5em .9em; border-radius: 6px; color: #1f4e5f; text-decoration: none }\n.rq-pages a:hover { background: #e4e9ea }\n.rq-pages a[aria-current] { background: #1f4e5f; color: #fff }\n.rq-pages a:focus-visible { outline: 2px solid #1f4e5f; outline-offset: 2px }',
};

export const PAGINATION_SIGNS: Signs = {
  kind: PAGINATION,
  recognise(element) {
    if (!isPlace(element) || isInside(element, isNamed)) return 0;
    if (isNamed(element)) return 1;
    // The innermost box that has the numbers.
    return isNumbered(element) && !element.children.some((child) => isPlace(child) && isNumbered(child)) ? 0.96 : 0;
  },
  named: () => 'Pagination',
};
