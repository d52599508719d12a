import type { ElementNode } from '../../tree/tree.js';
import { APPEARING } from '../behaviours/appear.js';
import { behavioursOf } from '../behaviours/index.js';
import { COUNTING } from '../behaviours/countdown.js';
import { textDemand, type Kind, type Signs } from '../kind.js';
import { BOX_ROWS, MESSAGE_ROWS } from '../rows.js';
import { countdownsOn } from '../time-units.js';
import { isCalled, isHtml, isInside, roleOf } from '../signs.js';

const NAMED = /(^|[-_\s])(countdown|count-down)([-_\s]|$)/i;
const isOne = (element: ElementNode) =>
  behavioursOf(element).includes(COUNTING) || isCalled(element, NAMED) || roleOf(element) === 'timer';

export const COUNTDOWN: Kind = {
  name: 'countdown',
  label: 'Countdown',
  plural: 'countdowns',
  claims: true,
  behaviours: [COUNTING, APPEARING],
  parts: [
    {
      name: 'ground',
      label: 'Ground',
      find: [':scope'],
      states: ['default'],
      first: ['text', ...BOX_ROWS, 'backdrop-filter', 'gap'],
    },
    {
      name: 'heading',
      label: 'Heading',
      find: [':scope :is(h2, h3, h4)', ':scope [class*=head]', ':scope [class*=title]'],
      states: ['default'],
      first: ['text', ...BOX_ROWS, 'font-size', 'font-weight'],
    },
    {
      name: 'digits',
      label: 'Digits',
      find: [
        ':scope [class*=digit]',
        ':scope [class*=value]',
        ':scope [class*=num]',
        ':scope :is(b, strong)',
        // A number before what it counts.
        ':scope :has(+ small)',
        ':scope * > :is(span, div, p):first-child:has(+ :is(span, div, p):last-child)',
      ],
      states: ['default'],
      first: ['font-size', 'font-family', ...MESSAGE_ROWS, 'background'],
    },
    {
      name: 'unit',
      label: 'Units',
      find: [
        ':scope [class*=unit]:not(:has([class*=digit]))',
        ':scope [class*=label]',
        ':scope small',
        ':scope * > :is(span, div, p):first-child + :is(span, div, p):last-child',
      ],
      states: ['default'],
      first: MESSAGE_ROWS,
    },
    {
      name: 'after',
      label: 'Words at the end',
      find: [':scope [data-end]'],
      states: ['default'],
      first: MESSAGE_ROWS,
    },
    {
      name: 'separator',
      label: 'Separators',
      find: [':scope [class*=sep]', ':scope [class*=colon]'],
      states: ['default'],
      first: ['text', 'font-size', 'opacity', 'margin'],
    },
  ],
  demands: [
    textDemand('heading', 'Heading on its ground'),
    textDemand('digits', 'Digits on ground'),
    textDemand('unit', 'Units on ground'),
    textDemand('after', 'Words at the end on ground'),
  ],
};

export const COUNTDOWN_SIGNS: Signs = {
  kind: COUNTDOWN,
  recognise: (element, page) =>
    isHtml(element, 'div', 'section', 'aside', 'ul', 'p') && isOne(element) && !isInside(element, isOne)
      ? 0.95
      : countdownsOn(page).has(element) && !isInside(element, isOne)
        ? 0.9
        : 0,
};
