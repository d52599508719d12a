import type { ElementStyle } from '../css/cascade/element-style.js';
import { hasGround } from '../css/cascade/has-ground.js';
import type { StyledPage } from '../css/cascade/page-styles.js';
import { isField } from '../css/selector/form-state.js';
import { once } from '../memo/once.js';
import { ancestors, descendants, hasOwnText, readableText, type ElementNode } from '../tree/tree.js';
import { find, isButtonElement, isHeading, isHtml, isLinkElement, isNav, roleOf } from './signs.js';

/** What tells one sort of component from another by what it is made of and looks like, whatever it is called. */

/**
 * What is said of an element and of all that it holds is put together from what it holds, each worked out once: pages
 * may be deep.
 */
const ownLength = (element: ElementNode): number =>
  element.content.reduce(
    (sum, item) => (typeof item === 'string' ? sum + item.replace(/\s+/g, ' ').trim().length : sum),
    0,
  );

const SILENT = new Set(['script', 'style', 'template', 'noscript']);

/** Characters of text in an element, but for the space between pieces. */
export const textLength = once((element: ElementNode): number =>
  SILENT.has(element.name) ? 0 : element.children.reduce((sum, child) => sum + textLength(child), ownLength(element)),
);

/** How many elements an element holds. */
const sizeOf = once((element: ElementNode): number =>
  element.children.reduce((sum, child) => sum + 1 + sizeOf(child), 0),
);

const LARGEST = 300;

/** True for what is small enough to be gone through whole, again and again. */
export const isSmall = (element: ElementNode): boolean => sizeOf(element) <= LARGEST;

const SIDES = ['top', 'right', 'bottom', 'left'];

/** True where something is painted: a ground, an edge or a shadow. */
export function paints(style: ElementStyle): boolean {
  if (hasGround(style) || style.text('box-shadow') !== 'none') return true;
  return SIDES.some((side) => drawsEdge(style, side));
}

export const drawsEdge = (style: ElementStyle, side: string): boolean =>
  !['none', 'hidden'].includes(style.text(`border-${side}-style`)) &&
  style.text(`border-${side}-width`) !== '0px' &&
  style.colour(`border-${side}-color`).alpha > 0;

const px = (style: ElementStyle, property: string): number => style.toPx(style.text(property)) ?? 0;

/** Room around what an element holds, as a button or a box has. */
export const hasRoom = (style: ElementStyle, across = 8, down = 4): boolean =>
  px(style, 'padding-left') >= across && px(style, 'padding-top') >= down;

/** Something that nobody but a script makes of use: the pointer says that it can be pressed. */
export const isPressable = (element: ElementNode, page: StyledPage): boolean =>
  element.attributes.has('onclick') ||
  element.attributes.get('tabindex') === '0' ||
  (page.of(element).text('cursor') === 'pointer' &&
    element.parent !== undefined &&
    page.of(element.parent).text('cursor') !== 'pointer');

const isPicture = (node: ElementNode): boolean => isHtml(node, 'img', 'picture', 'video') || node.name === 'svg';
/** An element without anything in it, which a sheet or a font draws an icon with. */
const isIconHolder = (node: ElementNode): boolean =>
  isHtml(node, 'i', 'span') && !node.children.length && !textLength(node);

function sortOf(node: ElementNode): string | undefined {
  if (isHeading(node)) return 'heading';
  if (isHtml(node) && isPicture(node)) return 'picture';
  if (isPicture(node) || isIconHolder(node)) return 'icon';
  if (isLinkElement(node) || isButtonElement(node)) return 'target';
  if (isField(node)) return 'field';
  return hasOwnText(node) ? 'text' : undefined;
}

const SORTS = ['heading', 'picture', 'icon', 'target', 'field', 'text'] as const;

/** The same as bits, in the order of SORTS. */
const holdingBits = once((element: ElementNode): number =>
  element.children.reduce((bits, child) => {
    const sort = sortOf(child);
    // The words of a heading or a control are its own.
    const inside = holdingBits(child) & (sort === 'heading' || sort === 'target' ? ~TEXT : ~0);
    return bits | inside | (sort ? 1 << SORTS.indexOf(sort as (typeof SORTS)[number]) : 0);
  }, 0),
);
const TEXT = 1 << SORTS.indexOf('text');
const SETS = Array.from(
  { length: 1 << SORTS.length },
  (_, bits) => new Set<string>(SORTS.filter((_sort, i) => bits & (1 << i))),
);

/** What an element holds, by names: heading, picture, icon, link or button, field, text. */
export const holdings = (element: ElementNode): ReadonlySet<string> => SETS[holdingBits(element)]!;

/** How much alike two elements are in what they hold, 0 to 1. */
function likeness(a: ElementNode, b: ElementNode): number {
  if (a.name !== b.name) return 0;
  const [some, others] = [holdings(a), holdings(b)];
  const all = new Set([...some, ...others]);
  return all.size ? [...all].filter((one) => some.has(one) && others.has(one)).length / all.size : 0;
}

const CARD_TAGS = ['div', 'article', 'li', 'a', 'section', 'figure', 'button'];
export const LONGEST_CARD = 700;
const MOST_IN_CARD = 80;

/** Where the box of something that stands in a grid is: past wrappers that hold it alone and paint nothing. */
function boxIn(cell: ElementNode, page: StyledPage): ElementNode {
  let at = cell;
  while (!paints(page.of(at)) && at.children.length === 1 && !hasOwnText(at)) {
    const [only] = at.children;
    if (!only || !isHtml(only, ...CARD_TAGS)) break;
    at = only;
  }
  return at;
}

function couldBeCard(element: ElementNode, page: StyledPage): boolean {
  if (!isHtml(element, ...CARD_TAGS) || textLength(element) > LONGEST_CARD) return false;
  const held = holdings(element);
  if (!['heading', 'picture', 'icon'].some((one) => held.has(one))) return false;
  // A picture alone is one where it can be pressed.
  if (held.size < 2 && (isLinkElement(element) || !held.has('picture') || !isPressable(element, page))) return false;
  let inside = 0;
  for (const node of descendants(element)) {
    if (++inside > MOST_IN_CARD || isHtml(node, 'section', 'main', 'nav', 'h1') || isHtml(node, 'form')) return false;
  }
  return true;
}

const isOutside = (element: ElementNode): boolean =>
  [element, ...ancestors(element)].some(
    (node) => isNav(node) || isHtml(node, 'dialog', 'table', 'select', 'footer') || roleOf(node) === 'dialog',
  );

/**
 * Boxes that stand beside one another and hold the same sort of things: each with a picture or a heading and something
 * more. By the element that is the box, with all that are of one row.
 */
export const cardsOn = once((page: StyledPage): ReadonlyMap<ElementNode, readonly ElementNode[]> => {
  const found = new Map<ElementNode, readonly ElementNode[]>();
  // What stands further in is found first: a row of cards is no card.
  for (const parent of [...page.styles.tree.elements].reverse()) {
    const { children } = parent;
    if (children.length < 2 || parent.namespace !== 'html' || isOutside(parent)) continue;
    if (isHtml(parent, 'html', 'header', 'footer', 'p', 'a', 'button')) continue;
    // What stands below each other in a page's main content are its sections.
    if (isHtml(parent, 'main') && !laysBeside(page.of(parent))) continue;
    const cells = children.filter(
      (child) => isHtml(child, ...CARD_TAGS) && (textLength(child) || holdings(child).size),
    );
    const [first] = cells;
    if (!first) continue;
    const alike = cells.filter((cell) => likeness(cell, first) >= 0.5);
    if (alike.length < 2 || alike.length < children.length * 0.6) continue;
    const boxes = alike.map((cell) => boxIn(cell, page));
    if (!boxes.every((box) => couldBeCard(box, page))) continue;
    const drawn = boxes.filter((box) => paints(page.of(box)) || isPressable(box, page)).length;
    // Two plain columns side by side are none; three that are alike are.
    const isFull = boxes.every(
      (box) =>
        ['heading', 'text'].every((one) => holdings(box).has(one)) &&
        ['picture', 'icon'].some((one) => holdings(box).has(one)),
    );
    if (drawn < boxes.length && ((boxes.length < 3 && !isFull) || isHtml(parent, 'ul', 'ol'))) continue;
    if (isHtml(parent, 'body')) continue;
    if (boxes.some((box) => find(box, (inner) => found.has(inner)) !== undefined)) continue;
    for (const box of boxes) found.set(box, boxes);
  }
  return found;
});

/** True for what puts what it holds beside each other: a grid of several columns, or a row. */
function laysBeside(style: ElementStyle): boolean {
  const display = style.text('display');
  if (display.endsWith('flex')) return style.text('flex-direction').startsWith('row');
  return display.endsWith('grid') && /[\s,]/.test(style.text('grid-template-columns').trim());
}

/** A box by itself that is drawn as one, with room in it, a heading, what it says and where it leads. */
export function isLoneCard(element: ElementNode, page: StyledPage): boolean {
  // What it holds is told without its style, which is worked out for few elements of a page so.
  const held = holdings(element);
  if (!['heading', 'text', 'target'].every((one) => held.has(one)) || held.has('field')) return false;
  if (isOutside(element) || !couldBeCard(element, page)) return false;
  const style = page.of(element);
  if (!hasRoom(style)) return false;
  const isRound = px(style, 'border-top-left-radius') > 0 && paints(style);
  return isRound || SIDES.every((side) => drawsEdge(style, side));
}

/** True for the ground of a whole page or of the window, over which something opens. */
export function coversWindow(style: ElementStyle): boolean {
  if (style.text('position') !== 'fixed') return false;
  const zero = (side: string) => px(style, side) === 0 && style.text(side) !== 'auto';
  const whole = (side: string) =>
    /^(100%|100d?vh|100d?vw)$/.test(style.declaredValue(side)) || style.text(side) === '100%';
  return (
    (zero('top') && zero('left') && (whole('width') || zero('right')) && (whole('height') || zero('bottom'))) ||
    (style.text('left') === '50%' && style.text('top') === '50%')
  );
}

/** True for a panel that stays at an edge or a corner of the window. */
export const staysAtEdge = (style: ElementStyle): boolean =>
  style.text('position') === 'fixed' || style.text('position') === 'sticky';

/** Something that closes what it stands in. */
export const isCloser = (node: ElementNode): boolean =>
  (isButtonElement(node) || isLinkElement(node)) &&
  (/^[×✕✖⨯x]$/i.test(readableText(node).trim()) ||
    /close|dismiss|schlie|ferm|cerrar|chiud|sluit|luk|stäng|zamk|закры|关闭|閉じ/i.test(
      node.attributes.get('aria-label') ?? '',
    ) ||
    node.attributes.has('data-dismiss') ||
    node.attributes.has('data-bs-dismiss') ||
    ['close', 'cancel'].includes(node.attributes.get('value') ?? ''));

/** Items of a list that hold a link and nothing else; items that only divide others do not count. */
export function linkItems(list: ElementNode): { readonly items: number; readonly links: number } {
  const items = list.children.filter(
    (child) => child.name === 'li' && (/[\p{L}\p{N}]/u.test(readableText(child)) || child.children.length),
  );
  const links = items.filter((item) => {
    const link = find(item, isLinkElement);
    return link !== undefined && readableText(link) === readableText(item);
  });
  return { items: items.length, links: links.length };
}

const SHORT_BEFORE = 400;

/** For each element of a page, how much text stands before it; and where the first heading or the main content is. */
const beforeOn = once((root: ElementNode) => {
  const before = new Map<ElementNode, number>();
  let [sum, first] = [0, Infinity];
  for (const node of [root, ...descendants(root)]) {
    before.set(node, sum);
    if (!SILENT.has(node.name)) sum += ownLength(node);
    if (first === Infinity && isHtml(node, 'h1', 'h2', 'main')) first = node.order;
  }
  return { before, first };
});

/** True for what stands before all headings and texts of a page: the place of a menu, whatever element it is. */
export function standsFirst(element: ElementNode): boolean {
  let root = element;
  for (const node of ancestors(element)) {
    if (isHtml(node, 'main', 'article', 'footer', 'form', 'table')) return false;
    root = node;
  }
  const { before, first } = beforeOn(root);
  return element.order < first && (before.get(element) ?? 0) < SHORT_BEFORE;
}

const linkLength = once((element: ElementNode): number =>
  element.children.reduce((sum, child) => sum + (isLinkElement(child) ? textLength(child) : linkLength(child)), 0),
);

/** Share of an element's text that stands in links, 0 to 1. */
export const linkShare = (element: ElementNode): number =>
  textLength(element) ? linkLength(element) / textLength(element) : 0;
