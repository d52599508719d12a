import { textDemand, type Kind, type Signs, type Part, type Starter } from '../kind.js';
import { BOX_ROWS, ICON_ROWS, MESSAGE_ROWS, TARGET_ROWS } from '../rows.js';
import { find, hasClass, isHeading, isHtml, isInside } from '../signs.js';
import { cardsOn, isLoneCard, LONGEST_CARD, textLength } from '../shape.js';
import { POINTED, type StateName } from '../states.js';

const NAMED = /(^|[-_])(card|tile)([-_]|$)/i;
const PIECE =
  /(^|[-_])(card|tile)(__|-)?(body|head|heading|title|text|image|img|media|footer|overlay|icon|link|grid|list|deck|group)/i;
const STATES: readonly StateName[] = ['default', 'hover', 'focus'];

const inner = (
  name: string,
  label: string,
  find: readonly string[],
  first: readonly string[] = MESSAGE_ROWS,
): Part => ({
  name,
  label,
  find,
  carrier: 'card',
  states: ['default', 'hover'],
  first: [...first, 'transition-duration'],
});

export const CARD: Kind = {
  name: 'card',
  label: 'Card',
  plural: 'cards',
  parts: [
    {
      name: 'card',
      label: 'Card',
      find: [':scope'],
      states: STATES,
      first: ['text', ...BOX_ROWS, 'transform', 'transition-duration'],
    },
    inner(
      'picture',
      'Picture',
      [':scope img', ':scope [class*=media]', ':scope [class*=picture]'],
      ['opacity', 'filter', 'transform', 'border-radius', 'aspect-ratio'],
    ),
    inner(
      'overlay',
      'Overlay',
      [':scope [class*=overlay]'],
      ['background', 'background-image', 'opacity', 'visibility', 'text'],
    ),
    inner('icon', 'Icon', [':scope svg:not(a svg)', ':scope [class*=icon]'], ICON_ROWS),
    inner('heading', 'Heading', [':scope :is(h2, h3, h4, h5)']),
    inner('body', 'Text', [':scope p']),
    {
      name: 'link',
      label: 'Link',
      find: [':scope a:not(:has(:is(img, h2, h3, h4, p)))'],
      states: POINTED,
      first: TARGET_ROWS,
    },
  ],
  demands: [
    textDemand('heading', 'Heading on card'),
    textDemand('body', 'Text on card'),
    textDemand('overlay', 'Text on overlay'),
    textDemand('link', 'Link on card'),
    { name: 'icon', label: 'Icon against card', part: 'icon', criterion: '1.4.11', of: 'icon' },
  ],
  claims: true,
  mayHold: ['form', 'announcement', 'tabs', 'accordion', 'progress', 'pagination', 'countdown', 'ticker', 'dialog'],
};

export const CARD_STARTER: Starter = {
  html: '<article class="rq-card"><h3>Outer isles</h3><p>Fifty minutes to the lighthouse.</p><a href="#">Times</a></article>',
  css: '.rq-card { padding: 1.4em; border: 1px solid #b9c3c6; border-radius: 10px; background: #fff; color: #14262c; transition: background-color .25s ease-in-out, color .25s ease-in-out }\n.rq-card:hover { background: #0f2831; color: #fff }\n.rq-card :is(h3, a) { color: inherit }',
};

export const CARD_SIGNS: Signs = {
  kind: CARD,
  rowOf: (root, page) => cardsOn(page).get(root),
  recognise(element, page) {
    if (cardsOn(page).has(element)) return 0.9;
    if (!isHtml(element, 'article', 'div', 'li', 'a', 'section')) return 0;
    if (isLoneCard(element, page)) return 0.8;
    if (!hasClass(element, NAMED) || hasClass(element, PIECE) || textLength(element) > LONGEST_CARD) return 0;
    if (isInside(element, (node) => hasClass(node, NAMED) && !hasClass(node, PIECE))) return 0;
    return find(element, (node) => isHeading(node) || isHtml(node, 'p', 'img')) ? 0.93 : 0;
  },
};
