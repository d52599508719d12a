import { ACCORDION_OPEN } from '../behaviours/accordion.js';
import type { ElementNode } from '../../tree/tree.js';
import { textDemand, type Kind, type Signs } from '../kind.js';
import { BOX_ROWS, ICON_ROWS, TARGET_ROWS } from '../rows.js';
import { find, isHeading, isHtml, isInside } from '../signs.js';

const isToggle = (element: ElementNode) => isHtml(element, 'button') && element.attributes.has('aria-expanded');
const isSection = (element: ElementNode) =>
  isHtml(element, 'details') || (isHeading(element) && find(element, isToggle) !== undefined);
const HEADER = ':is(:scope summary, :scope :is(h2, h3, h4, h5) > button[aria-expanded])';

/** Sections that open and close: `details`, or headings with buttons as the ARIA Authoring Practices structure them. */
export const ACCORDION: Kind = {
  name: 'accordion',
  label: 'Accordion',
  plural: 'accordions',
  claims: true,
  behaviours: [ACCORDION_OPEN],
  parts: [
    { name: 'group', label: 'Group', find: [':scope'], states: ['default'], first: [...BOX_ROWS, 'gap'] },
    { name: 'section', label: 'Section', find: [':scope details'], states: ['default', 'expanded'], first: BOX_ROWS },
    {
      name: 'header',
      label: 'Header',
      find: [HEADER],
      states: ['default', 'hover', 'focus', 'pressed', 'expanded'],
      first: TARGET_ROWS,
    },
    {
      name: 'marker',
      label: 'Marker',
      find: [':scope summary'],
      pseudo: 'marker',
      carrier: 'header',
      states: ['default', 'hover', 'expanded'],
      first: ['text', 'content', 'font-size'],
    },
    {
      name: 'icon',
      label: 'Icon',
      find: [':scope summary svg', ':scope button[aria-expanded] svg'],
      carrier: 'header',
      states: ['default', 'hover', 'expanded'],
      first: ICON_ROWS,
    },
    {
      name: 'body',
      label: 'Body',
      find: [':scope details > :not(summary)', ':scope [role=region]', ':scope [class*=body]'],
      states: ['default'],
      first: ['text', ...BOX_ROWS, 'line-height'],
    },
  ],
  demands: [textDemand('header', 'Header on background'), textDemand('body', 'Body on background')],
};

export const ACCORDION_SIGNS: Signs = {
  kind: ACCORDION,
  recognise(element) {
    if (!isHtml(element, 'div', 'section', 'ul', 'dl')) return 0;
    const sections = element.children.filter(
      (child) => isSection(child) || child.children.some((inner) => isSection(inner) && !isHtml(inner, 'details')),
    );
    return sections.length >= 2 && !isInside(element, isSection) ? 0.9 : 0;
  },
};
