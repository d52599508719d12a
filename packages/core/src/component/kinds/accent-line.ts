import { textOf } from '../../tree/tree.js';
import type { Kind, Signs, Starter } from '../kind.js';
import type { ElementStyle } from '../../css/cascade/element-style.js';
import { paints } from '../shape.js';
import { hasClass, isHtml } from '../signs.js';

const NAMED = /(^|[-_])(accent|accent-line|rule|divider|underline)([-_]|$)/i;
const ROWS = [
  'background',
  'background-image',
  'border-top-color',
  'border-top-width',
  'border-top-style',
  'width',
  'height',
  'transform',
  'transform-origin',
  'opacity',
  'margin',
  'transition-property',
  'transition-duration',
  'transition-timing-function',
];

/** A line that is there for the eye: a rule, or an empty element drawn as one. */
const PSEUDO = ['before', 'after'] as const;
/** In CSS pixels. */
const THICKEST = 8;

const drawsLine = (style: ElementStyle): boolean => style.text('content') === '""' && paints(style);

/** Something painted that is no higher than a line. */
const isThin = (style: ElementStyle): boolean => {
  const height = style.toPx(style.text('height'));
  const isBlock = style.text('display') !== 'inline' && style.text('position') !== 'fixed';
  return isBlock && height !== undefined && height <= THICKEST && paints(style);
};

export const ACCENT_LINE: Kind = {
  name: 'accent-line',
  label: 'Accent line',
  plural: 'accent lines',
  single: true,
  parts: [
    { name: 'line', label: 'Line', find: [':scope'], states: ['default', 'hover'], first: ROWS },
    {
      name: 'before',
      label: 'Line drawn before',
      find: [':scope'],
      pseudo: 'before',
      carrier: 'line',
      states: ['default', 'hover'],
      first: ['content', ...ROWS],
    },
    {
      name: 'after',
      label: 'Line drawn after',
      find: [':scope'],
      pseudo: 'after',
      carrier: 'line',
      states: ['default', 'hover'],
      first: ['content', ...ROWS],
    },
  ],
  demands: [],
};

export const ACCENT_LINE_STARTER: Starter = {
  html: '<hr class="rq-line">',
  css: '.rq-line { border: 0; height: 3px; width: 4rem; margin: 1rem 0; background: #1f4e5f; transition: width .3s ease-in-out }\n.rq-line:hover { width: 8rem }',
};

export const ACCENT_LINE_SIGNS: Signs = {
  kind: ACCENT_LINE,
  recognise(element, page) {
    if (isHtml(element, 'hr')) return 0.7;
    if (!isHtml(element, 'span', 'div', 'i', 'h2', 'h3', 'p')) return 0;
    const isDrawn = () => paints(page.of(element)) || PSEUDO.some((pseudo) => drawsLine(page.of(element, pseudo)));
    if (hasClass(element, NAMED) && isDrawn()) return textOf(element) === '' ? 0.8 : 0.65;
    return textOf(element) === '' && !element.children.length && isThin(page.of(element)) ? 0.6 : 0;
  },
};
