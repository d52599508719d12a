import { inputType, isLink } from '../../css/selector/form-state.js';
import type { Kind, Signs, Starter } from '../kind.js';
import { textDemand } from '../kind.js';
import { ICON_ROWS, TARGET_ROWS } from '../rows.js';
import type { ElementStyle } from '../../css/cascade/element-style.js';
import { drawsEdge, hasRoom, holdings, isPressable, isSmall, paints, textLength } from '../shape.js';
import { find, isButtonElement } from '../signs.js';

const BUTTON_NAME = /(^|[-_])(btn|button|cta)([-_]|$)/i;
const BUTTON_INPUTS = new Set(['submit', 'button', 'reset', 'image']);
const BLOCKS = new Set(['div', 'ul', 'ol', 'table', 'form', 'section', 'article', 'nav', 'header', 'footer', 'p']);

const LONGEST = 60;

/** A link that has nothing but a line below it. */
const isUnderlinedOnly = (style: ElementStyle): boolean =>
  style.colour('background-color').alpha === 0 &&
  style.text('background-image') === 'none' &&
  style.text('box-shadow') === 'none' &&
  !['top', 'left', 'right'].some((side) => drawsEdge(style, side));

export const BUTTON: Kind = {
  name: 'button',
  label: 'Button',
  plural: 'buttons',
  single: true,
  madeOfText: true,
  parts: [
    {
      name: 'button',
      label: 'Button',
      find: [':scope'],
      states: ['default', 'hover', 'focus', 'pressed', 'disabled'],
      first: TARGET_ROWS,
    },
    {
      name: 'icon',
      label: 'Icon',
      find: [':scope svg', ':scope [class*=icon]'],
      carrier: 'button',
      states: ['default', 'hover', 'focus', 'pressed', 'disabled'],
      first: ICON_ROWS,
    },
  ],
  demands: [
    { ...textDemand('button'), name: 'label' },
    { name: 'icon', label: 'Icon against background', part: 'icon', criterion: '1.4.11', of: 'icon' },
  ],
};

export const BUTTON_STARTER: Starter = {
  html: '<button type="button" class="rq-button">Book now</button>',
  css: '.rq-button { font: 600 1rem/1.25 inherit; padding: .75em 1.4em; border: 2px solid transparent; border-radius: 6px; background: #1f4e5f; color: #fff; cursor: pointer; transition: background-color .2s ease-in-out, color .2s ease-in-out }\n.rq-button:hover { background: #163944 }\n.rq-button:focus-visible { outline: 3px solid #1f4e5f; outline-offset: 2px }\n.rq-button:active { background: #0f2831 }\n.rq-button:disabled { opacity: .55; cursor: not-allowed }',
};

export const BUTTON_SIGNS: Signs = {
  kind: BUTTON,
  recognise(element, page) {
    if (element.namespace !== 'html') return 0;
    if (element.name === 'button') return 1;
    if (element.name === 'input') return BUTTON_INPUTS.has(inputType(element)) ? 1 : 0;
    if (element.attributes.get('role') === 'button') return 1;
    const called = element.classes.some((name) => BUTTON_NAME.test(name));
    // What it holds is told before how it looks: styles are worked out for few elements of a page so.
    if (!isLink(element)) {
      // A block of text made to look like a button, which holds nothing that could be pressed by itself.
      if (!['p', 'span', 'div', 'strong'].includes(element.name) || !textLength(element) || !isSmall(element)) return 0;
      if (find(element, (node) => isLink(node) || isButtonElement(node) || BLOCKS.has(node.name))) return 0;
      return called || (isPressable(element, page) && hasRoom(page.of(element)) && paints(page.of(element))) ? 0.6 : 0;
    }
    if (called) return 0.9;
    // A link that looks like a button: with a ground or an edge, and room around a few words or an icon.
    if (textLength(element) > LONGEST || holdings(element).has('heading')) return 0;
    const style = page.of(element);
    if (!paints(style)) return 0;
    const boxed = ['inline-block', 'inline-flex', 'flex', 'block', 'grid'].includes(style.text('display'));
    const sized = ['width', 'height'].every((side) => (style.toPx(style.text(side)) ?? 0) >= 20);
    return boxed && (hasRoom(style) || sized) && !isUnderlinedOnly(style) ? 0.7 : 0;
  },
};
