import { textDemand, type Kind, type Signs, type Starter } from '../kind.js';
import { BOX_ROWS, TARGET_ROWS } from '../rows.js';
import { isHtml, roleOf } from '../signs.js';
import { POINTED } from '../states.js';

/** As the ARIA Authoring Practices structure a tooltip: what is described, and the tip beside it. */
export const TOOLTIP: Kind = {
  name: 'tooltip',
  label: 'Tooltip',
  plural: 'tooltips',
  anywhere: true,
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

export const TOOLTIP_STARTER: Starter = {
  html: '<span class="rq-tip"><button type="button" aria-describedby="rq-tip-text">Half fare</button><span role="tooltip" id="rq-tip-text">With your harbour card.</span></span>',
  css: '.rq-tip { position: relative }\n.rq-tip [role=tooltip] { position: absolute; bottom: 100%; left: 0; padding: .5em .8em; border-radius: 6px; background: #0f2831; color: #fff; visibility: hidden }\n.rq-tip :is(button:hover, button:focus) ~ [role=tooltip] { visibility: visible }',
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
