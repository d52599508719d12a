import { isLink } from '../../css/selector/form-state.js';
import { textDemand, type Kind, type Signs, type Starter } from '../kind.js';
import { ICON_ROWS } from '../rows.js';

export const LINK: Kind = {
  name: 'link',
  label: 'Link',
  plural: 'links',
  single: true,
  parts: [
    {
      name: 'link',
      label: 'Link',
      find: [':scope'],
      states: ['default', 'hover', 'focus', 'pressed'],
      first: [
        'text',
        'background',
        'border',
        'text-decoration-line',
        'text-decoration-color',
        'outline',
        'font-weight',
        'padding',
        'transition-duration',
      ],
    },
    {
      name: 'icon',
      label: 'Icon',
      find: [':scope svg', ':scope [class*=icon]'],
      carrier: 'link',
      states: ['default', 'hover', 'focus', 'pressed'],
      first: ICON_ROWS,
    },
  ],
  demands: [
    { ...textDemand('link'), name: 'text' },
    { name: 'icon', label: 'Icon against background', part: 'icon', criterion: '1.4.11', of: 'icon' },
  ],
};

export const LINK_STARTER: Starter = {
  html: '<a class="rq-link" href="#">Read more</a>',
  css: '.rq-link { color: #1f4e5f; text-decoration: underline; text-underline-offset: .2em }\n.rq-link:hover { color: #0f2831 }\n.rq-link:focus-visible { outline: 2px solid currentColor; outline-offset: 2px }',
};

export const LINK_SIGNS: Signs = {
  kind: LINK,
  recognise: (element) => (isLink(element) && element.name === 'a' ? 0.6 : 0),
};
