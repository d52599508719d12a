import { isLink } from '../../css/selector/form-state.js';
import type { Kind } from '../kind.js';
import { EDGE_COLOUR, GROUND_COLOUR, TEXT_COLOUR } from '../rows.js';
import { POINTED_STATES } from '../states.js';

export const LINK: Kind = {
  name: 'link',
  label: 'Link',
  plural: 'links',
  parts: [{ name: 'link', label: 'Link', rows: [TEXT_COLOUR, GROUND_COLOUR, EDGE_COLOUR] }],
  states: POINTED_STATES,
  demands: [{ name: 'text', label: 'Text on background', part: 'link', criterion: '1.4.3' }],
  recognise: (element) => (isLink(element) && element.name === 'a' ? 0.6 : 0),
};
