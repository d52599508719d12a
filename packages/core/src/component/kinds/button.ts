import { inputType, isLink } from '../../css/selector/form-state.js';
import type { Kind } from '../kind.js';
import { EDGE_COLOUR, GROUND_COLOUR, TEXT_COLOUR } from '../rows.js';
import { POINTED_STATES } from '../states.js';

const BUTTON_NAME = /(^|[-_])(btn|button|cta)([-_]|$)/i;
const BUTTON_INPUTS = new Set(['submit', 'button', 'reset', 'image']);

export const BUTTON: Kind = {
  name: 'button',
  label: 'Button',
  plural: 'buttons',
  parts: [{ name: 'button', label: 'Button', rows: [TEXT_COLOUR, GROUND_COLOUR, EDGE_COLOUR] }],
  states: POINTED_STATES,
  demands: [{ name: 'label', label: 'Text on background', part: 'button', criterion: '1.4.3' }],
  recognise(element, page) {
    if (element.namespace !== 'html') return 0;
    if (element.name === 'button') return 1;
    if (element.name === 'input') return BUTTON_INPUTS.has(inputType(element)) ? 1 : 0;
    if (element.attributes.get('role') === 'button') return 1;
    if (!isLink(element)) return 0;
    // A link that looks like a button: named like one, or with a ground and room around its text.
    if (element.classes.some((name) => BUTTON_NAME.test(name))) return 0.9;
    const style = page.of(element);
    const ground = style.colour('background-color').alpha > 0 || style.text('background-image') !== 'none';
    const room =
      (style.toPx(style.text('padding-left')) ?? 0) >= 8 && (style.toPx(style.text('padding-top')) ?? 0) >= 4;
    const boxed = ['inline-block', 'inline-flex', 'flex', 'block'].includes(style.text('display'));
    return ground && room && boxed ? 0.7 : 0;
  },
};
