import { inputType, isLink } from '../../css/selector/form-state.js';
import type { Kind } from '../kind.js';
import { textDemand } from '../kind.js';
import { ICON_ROWS, TARGET_ROWS } from '../rows.js';
import { find, isButtonElement } from '../signs.js';

const BUTTON_NAME = /(^|[-_])(btn|button|cta)([-_]|$)/i;
const BUTTON_INPUTS = new Set(['submit', 'button', 'reset', 'image']);
const BLOCKS = new Set(['div', 'ul', 'ol', 'table', 'form', 'section', 'article', 'nav', 'header', 'footer', 'p']);

export const BUTTON: Kind = {
  name: 'button',
  label: 'Button',
  plural: 'buttons',
  single: true,
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
  recognise(element, page) {
    if (element.namespace !== 'html') return 0;
    if (element.name === 'button') return 1;
    if (element.name === 'input') return BUTTON_INPUTS.has(inputType(element)) ? 1 : 0;
    if (element.attributes.get('role') === 'button') return 1;
    const called = element.classes.some((name) => BUTTON_NAME.test(name));
    // A block of text made to look like a button, which holds nothing that could be pressed by itself.
    if (!isLink(element)) {
      const plain = !find(element, (node) => isLink(node) || isButtonElement(node) || BLOCKS.has(node.name));
      return called && plain && ['p', 'span', 'div', 'strong'].includes(element.name) ? 0.6 : 0;
    }
    // A link that looks like a button: named like one, or with a ground and room around its text.
    if (called) return 0.9;
    const style = page.of(element);
    const ground = style.colour('background-color').alpha > 0 || style.text('background-image') !== 'none';
    const room =
      (style.toPx(style.text('padding-left')) ?? 0) >= 8 && (style.toPx(style.text('padding-top')) ?? 0) >= 4;
    const boxed = ['inline-block', 'inline-flex', 'flex', 'block'].includes(style.text('display'));
    return ground && room && boxed ? 0.7 : 0;
  },
  starter: {
    html: '<button type="button" class="rq-button">Book now</button>',
    css: '.rq-button { font: 600 1rem/1.25 inherit; padding: .75em 1.4em; border: 2px solid transparent; border-radius: 6px; background: #1f4e5f; color: #fff; cursor: pointer; transition: background-color .2s ease-in-out, color .2s ease-in-out }\n.rq-button:hover { background: #163944 }\n.rq-button:focus-visible { outline: 3px solid #1f4e5f; outline-offset: 2px }\n.rq-button:active { background: #0f2831 }\n.rq-button:disabled { opacity: .55; cursor: not-allowed }',
  },
};
