import type { ElementNode } from '../../tree/tree.js';
import { behavioursOf } from '../behaviours/index.js';
import { TICKER_RUN } from '../behaviours/ticker.js';
import { textDemand, type Kind, type Signs } from '../kind.js';
import { BOX_ROWS, MESSAGE_ROWS, TARGET_ROWS } from '../rows.js';
import type { StyledPage } from '../../css/cascade/page-styles.js';
import { holdings, textLength } from '../shape.js';
import { isCalled, isHtml, isInside, roleOf } from '../signs.js';
import { POINTED } from '../states.js';

const NAMED = /(^|[-_\s])(ticker|marquee)([-_\s]|$)/i;
const isOne = (element: ElementNode) =>
  behavioursOf(element).includes(TICKER_RUN) ||
  isCalled(element, NAMED) ||
  roleOf(element) === 'marquee' ||
  isHtml(element, 'marquee');

const isWindow = (element: ElementNode, page: StyledPage): boolean =>
  ['hidden', 'clip'].includes(page.of(element).text('overflow-x'));

/** A window on a longer line that moves by itself without end. */
const runs = (element: ElementNode, page: StyledPage): boolean => {
  // What it holds is told without its style, which is worked out for few elements of a page so.
  const lines = element.children.filter((child) => child.children.length >= 2 && textLength(child) > 20);
  return (
    lines.length > 0 &&
    isWindow(element, page) &&
    lines.some((line) => {
      const style = page.of(line);
      return style.text('animation-name') !== 'none' && style.text('animation-iteration-count').includes('infinite');
    })
  );
};

/** Words in one line that goes on past the window that it is seen through, each told from the next by a mark. */
const isLine = (element: ElementNode, page: StyledPage): boolean => {
  const [line, ...more] = element.children;
  if (!line || more.length) return false;
  const items = line.children;
  if (items.length < 2 || holdings(line).size !== 1 || !items.every(textLength)) return false;
  const style = page.of(line);
  const isOneLine = style.text('display').endsWith('flex') && style.text('flex-wrap') === 'nowrap';
  if (!isOneLine || !isWindow(element, page)) return false;
  const isMarked = (item: ElementNode) =>
    ['before', 'after'].some((name) => !['none', 'normal', '""'].includes(page.of(item, name).text('content')));
  return items.filter(isMarked).length >= items.length - 1;
};

export const TICKER: Kind = {
  name: 'ticker',
  label: 'Ticker',
  plural: 'tickers',
  claims: true,
  behaviours: [TICKER_RUN],
  parts: [
    {
      name: 'ground',
      label: 'Ground',
      find: [':scope'],
      states: ['default', 'hover'],
      first: ['text', ...BOX_ROWS, 'border-width', 'border-style', 'rotate', 'transform'],
    },
    {
      name: 'track',
      label: 'Track',
      find: [':scope > :is(ul, ol, div)'],
      carrier: 'ground',
      states: ['default', 'hover'],
      first: ['gap', 'padding', 'opacity'],
    },
    {
      name: 'item',
      label: 'Items',
      find: [':scope li', ':scope [class*=item]'],
      states: ['default'],
      first: [...MESSAGE_ROWS, 'padding'],
    },
    {
      name: 'divider',
      label: 'Dividers',
      find: [':scope li + li', ':scope [class*=item] + [class*=item]'],
      pseudo: 'before',
      states: ['default'],
      first: ['content', 'text', 'background-image', 'width', 'height', 'margin', 'opacity'],
    },
    {
      name: 'picture',
      label: 'Pictures',
      find: [':scope :is(img, svg)'],
      states: ['default'],
      first: ['width', 'height', 'opacity', 'filter'],
    },
    { name: 'link', label: 'Link', find: [':scope a'], states: POINTED, first: TARGET_ROWS },
    { name: 'pause', label: 'Pause', find: [':scope [data-do=pause]'], states: POINTED, first: TARGET_ROWS },
  ],
  demands: [
    textDemand('item', 'Items on ground'),
    textDemand('link', 'Link on ground'),
    { name: 'pause', label: 'Pause against its ground', part: 'pause', criterion: '1.4.11', of: 'icon' },
  ],
};

export const TICKER_SIGNS: Signs = {
  kind: TICKER,
  recognise(element, page) {
    if (!isHtml(element) || isHtml(element, 'body', 'html') || isInside(element, isOne)) return 0;
    if (isOne(element)) return 0.95;
    return runs(element, page) || isLine(element, page) ? 0.85 : 0;
  },
};
