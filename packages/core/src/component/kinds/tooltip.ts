import { TIP_ESCAPE } from '../behaviours/tooltip.js';
import { textDemand, type Kind, type Signs } from '../kind.js';
import { BOX_ROWS, TARGET_ROWS } from '../rows.js';
import { isHtml, roleOf } from '../signs.js';
import { POINTED } from '../states.js';

/** As the ARIA Authoring Practices structure a tooltip: what is described, and the tip beside it. */
export const TOOLTIP: Kind = {
  name: 'tooltip',
  label: 'Tooltip',
  plural: 'tooltips',
  anywhere: true,
  behaviours: [TIP_ESCAPE],
  claims: true,
  parts: [
    {
      name: 'trigger',
      label: 'What is explained',
      find: [':scope > [aria-describedby]'],
      states: POINTED,
      first: TARGET_ROWS,
    },
    {
      name: 'tip',
      label: 'Tip',
      find: [':scope > [role=tooltip]'],
      carrier: 'trigger',
      states: ['default', 'hover', 'focus'],
      first: ['text', ...BOX_ROWS, 'opacity', 'visibility', 'font-size'],
    },
    {
      name: 'arrow',
      label: 'Arrow',
      find: [':scope > [role=tooltip]'],
      pseudo: 'after',
      carrier: 'trigger',
      states: ['default', 'hover', 'focus'],
      first: ['border', 'border-width', 'background'],
    },
  ],
  demands: [textDemand('tip', 'Text on tip')],
};

export const TOOLTIP_SIGNS: Signs = {
  kind: TOOLTIP,
  recognise: (element) =>
    isHtml(element) &&
    element.children.some((child) => roleOf(child) === 'tooltip') &&
    element.children.some((child) => child.attributes.has('aria-describedby'))
      ? 0.94
      : 0,
};
