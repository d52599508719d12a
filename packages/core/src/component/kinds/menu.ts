import { MENU_KEYS } from '../behaviours/menu.js';
import type { ElementNode } from '../../tree/tree.js';
import { textDemand, type Kind, type Signs, type Part } from '../kind.js';
import { BOX_ROWS, ICON_ROWS, TARGET_ROWS } from '../rows.js';
import { count, CRUMBS, find, isCalled, isHtml, isInside, isLinkElement, isNav, PAGES, roleOf } from '../signs.js';
import { isSmall, linkShare, standsFirst } from '../shape.js';
import { POINTED, STILL } from '../states.js';

const part = (name: string, label: string, find: readonly string[], more: Partial<Part> = {}): Part => ({
  name,
  label,
  find,
  states: POINTED,
  first: TARGET_ROWS,
  ...more,
});

const LIST = ':is(ul, ol, [role=menubar], [role=menu])';
const IN_NAV = ':is(:scope, :scope *):is(nav, [role=navigation])';

/** What stands under the bar in the same header, such as a welcome over a picture, is not the menu's. */
const BELOW = ':not(:where(:scope > :has(nav) ~ * *))';

/** A list of links before all that the page says, whatever element it stands in. */
const isListFirst = (element: ElementNode): boolean =>
  isHtml(element, 'div', 'aside', 'ul', 'header', 'section') &&
  linkShare(element) >= 0.4 &&
  standsFirst(element) &&
  isSmall(element) &&
  count(element, (node) => node.name === 'li' && node.children.some(isLinkElement)) >= 3 &&
  !find(element, (node) => isHtml(node, 'h1', 'h2', 'main', 'form', 'nav') && node !== element);

const isBanner = (node: ElementNode) => isHtml(node, 'header', 'footer') || roleOf(node) === 'banner';

const isMenuNav = (element: ElementNode): boolean =>
  isNav(element) && !isCalled(element, CRUMBS) && !isCalled(element, PAGES) && count(element, isLinkElement) >= 2;

export const MENU: Kind = {
  name: 'menu',
  label: 'Menu',
  plural: 'menus',
  claims: true,
  behaviours: [MENU_KEYS],
  outside: [':scope > :is(nav, :has(nav)) ~ :is(h1, h2, :has(h1, h2))'],
  parts: [
    part('bar', 'Bar', [':scope > :not([class*=util]):has(nav)', ':scope'], {
      states: STILL,
      first: [...BOX_ROWS, 'opacity', 'backdrop-filter'],
    }),
    part('link', 'Link', [`${IN_NAV} li > a:not(:where(li li) > a)`, ':scope a'], {
      states: ['default', 'hover', 'focus', 'pressed', 'current', 'current+hover'],
    }),
    part('panel', 'Sub-menu panel', [`${IN_NAV} li > ${LIST}`, `${IN_NAV} [role=menu]`], {
      states: STILL,
      first: [...BOX_ROWS, 'min-width', 'opacity'],
    }),
    part('sub-link', 'Sub-menu link', [`${IN_NAV} li li > a`], {
      states: ['default', 'hover', 'focus', 'pressed', 'current', 'current+hover'],
    }),
    part('utility', 'Utility bar', [':scope [class*=util]:not([class*=util] *)'], {
      states: STILL,
      first: ['text', ...BOX_ROWS, 'font-size'],
    }),
    part('utility-link', 'Utility link', [':scope [class*=util] a']),
    part('utility-icon', 'Utility icon', [':scope [class*=util] svg'], { states: STILL, first: ICON_ROWS }),
    part('title', 'Site title', [
      ':scope a:is([class*=brand], [class*=logo], [class*=title], [rel=home])' + BELOW,
      ':scope a:is([href="/"], [href="./"], [href^="index."], [href="#top"]):not(:where(li *))' + BELOW,
      ':scope a:has(> :is(img, svg)):not(:where(li *))' + BELOW,
    ]),
    part('logo', 'Logo', [':scope :is([class*=brand], [class*=logo], [rel=home]) :is(img, svg)'], {
      carrier: 'title',
      first: ['width', 'height', 'filter', 'opacity', 'border-radius'],
    }),
    part('search', 'Search box', [':scope input:is([type=search], [name=q], [name=s])'], {
      states: ['default', 'hover', 'focus', 'filled'],
      first: ['text', 'background', 'border', 'border-radius', 'outline', 'padding', 'width'],
    }),
    part('search-placeholder', 'Search placeholder', [':scope input:is([type=search], [name=q], [name=s])'], {
      pseudo: 'placeholder',
      carrier: 'search',
      states: ['default', 'focus'],
      first: ['text', 'opacity', 'font-style'],
    }),
    part('search-icon', 'Search button', [
      ':scope form:has(input) button' + BELOW,
      ':scope [class*=search]:is(a, button)' + BELOW,
    ]),
    part('call', 'Call to action', [
      ':scope a:is([class*=btn], [class*=button], [class*=cta]):not(:where([class*=util] a))' + BELOW,
    ]),
    part('toggle', 'Toggle', [':scope button:is([aria-controls], [data-do=menu], [class*=toggle], [class*=burger])'], {
      states: ['default', 'hover', 'focus', 'pressed', 'expanded'],
    }),
    part('opened', 'Opened panel', [':scope nav:has(ul)'], { states: STILL, first: BOX_ROWS }),
  ],
  demands: [
    textDemand('link', 'Link on background'),
    textDemand('sub-link', 'Sub-menu link on background'),
    textDemand('utility', 'Utility text on background'),
    textDemand('utility-link', 'Utility link on background'),
    textDemand('title', 'Title on background'),
    textDemand('call', 'Call on background'),
    textDemand('search', 'Search text on background'),
    textDemand('search-placeholder', 'Placeholder on background'),
    { name: 'search-edge', label: 'Search edge against page', part: 'search', criterion: '1.4.11', of: 'edge' },
    { name: 'search-icon', label: 'Search icon', part: 'search-icon', criterion: '1.4.11', of: 'icon' },
    { name: 'toggle', label: 'Toggle icon', part: 'toggle', criterion: '1.4.11', of: 'icon' },
  ],
};

export const MENU_SIGNS: Signs = {
  kind: MENU,
  recognise(element) {
    const isHeader = isHtml(element, 'header') || roleOf(element) === 'banner';
    if (isHeader && find(element, isMenuNav)) return 0.95;
    // A header may hold a whole welcome; the menu in it is then what has the list.
    if (!isNav(element)) {
      const isNested = isInside(element, (node) => isNav(node) || isListFirst(node) || isHtml(node, 'footer', 'main'));
      return isListFirst(element) && !isNested ? 0.7 : 0;
    }
    if (
      !isMenuNav(element) ||
      isInside(element, (node) => isBanner(node) && (isHtml(node, 'footer') || !!find(node, isMenuNav)))
    )
      return 0;
    return isCalled(element, /menu|navbar|main|primary/i) ||
      find(element, (node) => node.name === 'li' && find(node, (inner) => inner.name === 'ul') !== undefined)
      ? 0.9
      : 0.55;
  },
  named: (root) => {
    const nav = isNav(root) ? root : find(root, isMenuNav);
    return nav?.attributes.get('aria-label') ?? 'Main menu';
  },
};
