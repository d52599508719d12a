import type { Kind, Signs, Part, Starter } from '../kind.js';
import type { ElementStyle } from '../../css/cascade/element-style.js';
import type { StyledPage } from '../../css/cascade/page-styles.js';
import type { ElementNode } from '../../tree/tree.js';
import { isHtml } from '../signs.js';
import type { StateName } from '../states.js';

const piece = (
  name: string,
  label: string,
  pseudo: string,
  states: readonly StateName[],
  first: readonly string[],
): Part => ({
  name,
  label,
  find: [':scope'],
  pseudo,
  ownPseudoStates: true,
  states,
  first,
});

/** True where the site says how the bar looks; one that the browser draws as any other is nothing to name. */
const isStyled = (element: ElementNode, page: StyledPage): boolean =>
  page.of(element).text('scrollbar-color') !== 'auto' ||
  page.of(element).text('scrollbar-width') !== 'auto' ||
  page.styles
    .possibleEntries(element)
    .some(({ origin, selector }) => origin === 'author' && selector.pseudoElement?.startsWith('-webkit-scrollbar'));

/** A box that is there to be scrolled: reached by keyboard, or no higher than so much. Panels that open over the page are none. */
const isBox = (element: ElementNode, style: ElementStyle): boolean =>
  !['fixed', 'absolute'].includes(style.text('position')) &&
  (element.attributes.get('tabindex') === '0' || /^\d[\d.]*px$/.test(style.text('max-height')));

/**
 * The scrollbar of the page or of a box that scrolls, through the older pseudo-elements. The standard properties would
 * switch these off, so the handover gives them only to browsers that do not know the pseudo-elements.
 */
export const SCROLLBAR: Kind = {
  name: 'scrollbar',
  besidePage: true,
  label: 'Scrollbar',
  plural: 'scrollbars',
  anywhere: true,
  parts: [
    piece('bar', 'Bar', '-webkit-scrollbar', ['default'], ['width', 'height', 'background']),
    piece(
      'track',
      'Track',
      '-webkit-scrollbar-track',
      ['default', 'hover'],
      [
        'background',
        'background-image',
        'border-left-color',
        'border-left-width',
        'border-left-style',
        'border-radius',
        'box-shadow',
      ],
    ),
    piece(
      'thumb',
      'Thumb',
      '-webkit-scrollbar-thumb',
      ['default', 'hover', 'pressed'],
      [
        'background',
        'background-image',
        'border',
        'border-width',
        'border-style',
        'border-radius',
        'box-shadow',
        'background-clip',
      ],
    ),
    piece('corner', 'Corner', '-webkit-scrollbar-corner', ['default'], ['background']),
    {
      name: 'box',
      label: 'Box that scrolls',
      find: [':scope'],
      states: ['default'],
      first: ['scrollbar-color', 'scrollbar-width'],
    },
  ],
  demands: [{ name: 'thumb', label: 'Thumb against track', part: 'thumb', criterion: '1.4.11', of: 'thumb' }],
};

export const SCROLLBAR_STARTER: Starter = {
  html: '<div class="rq-scroll" tabindex="0">A box that scrolls.</div>',
  css: '.rq-scroll { overflow: auto; max-height: 12rem }\n.rq-scroll::-webkit-scrollbar { width: 16px }\n.rq-scroll::-webkit-scrollbar-track { background: #e4e9ea }\n.rq-scroll::-webkit-scrollbar-thumb { background: #5d7278; border-radius: 8px }',
};

export const SCROLLBAR_SIGNS: Signs = {
  kind: SCROLLBAR,
  recognise(element, page) {
    if (isHtml(element, 'html')) return 0.9;
    if (!isHtml(element, 'div', 'section', 'aside', 'main', 'ul', 'ol', 'pre', 'nav')) return 0;
    const style = page.of(element);
    const scrolls = (property: string) => /^(auto|scroll)$/.test(style.text(property));
    return (scrolls('overflow-y') || scrolls('overflow-x')) && (isStyled(element, page) || isBox(element, style))
      ? 0.8
      : 0;
  },
  named: (root) => (isHtml(root, 'html') ? 'Scrollbar' : undefined),
};
