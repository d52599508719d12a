import { hasGround } from '../../css/cascade/has-ground.js';
import { textDemand, type Kind, type Signs, type Starter } from '../kind.js';
import { BOX_ROWS, MESSAGE_ROWS } from '../rows.js';
import type { StyledPage } from '../../css/cascade/page-styles.js';
import type { ElementNode } from '../../tree/tree.js';
import { drawsEdge, holdings, LONGEST_CARD, paints, textLength } from '../shape.js';
import { hasClass, isHeading, isHtml, isInside } from '../signs.js';

const NAMED = /(^|[-_])(panel|box|widget|infobox)([-_]|$)/i;
const STRIP = ':scope > :first-child:has(h1, h2, h3, h4, h5, h6)';
const TITLE = ':scope > :is(div, p, span):first-child:not(:has(*)):nth-last-child(2)';
const HEAD = ':is(:scope > [class*=head], :scope > :is(header, h1, h2, h3, h4))';
const BODY = ':is(:scope > [class*=body], :scope > [class*=content])';

/** A box with an edge or a ground of its own, and more in it than a card has. */
const isBoxed = (element: ElementNode, page: StyledPage): boolean => {
  const style = page.of(element);
  const isDrawn = style.text('box-shadow') !== 'none' || ['top', 'left'].every((side) => drawsEdge(style, side));
  return isDrawn && textLength(element) > LONGEST_CARD && !isInside(element, (node) => isHtml(node, 'nav', 'header'));
};

const LONGEST_TITLE = 60;

/** A few words and nothing else, which is a title where it stands over something. */
const isTitle = (element: ElementNode): boolean =>
  !element.children.length && isHtml(element, 'div', 'p', 'span') && textLength(element) <= LONGEST_TITLE;

const isEdged = (element: ElementNode, page: StyledPage): boolean => {
  const style = page.of(element);
  return (
    ['top', 'right', 'bottom', 'left'].every((side) => drawsEdge(style, side)) || style.text('box-shadow') !== 'none'
  );
};

/** A box whose heading stands on a ground of its own, over what it is about. */
const hasStrip = (element: ElementNode, page: StyledPage): boolean => {
  const [first, ...rest] = element.children;
  if (!first || !rest.length || !textLength(first)) return false;
  if (!hasGround(page.of(first))) return false;
  if (rest.length === 1 && isTitle(first)) return isEdged(element, page);
  const isStrip = isHeading(first) || holdings(first).has('heading');
  return isStrip && !rest.some((node) => holdings(node).has('heading')) && paints(page.of(element));
};

export const PANEL: Kind = {
  name: 'panel',
  label: 'Panel',
  plural: 'panels',
  parts: [
    { name: 'panel', label: 'Panel', find: [':scope'], states: ['default', 'hover'], first: [...BOX_ROWS, 'margin'] },
    {
      name: 'heading',
      label: 'Heading',
      find: [HEAD, STRIP, TITLE],
      carrier: 'panel',
      states: ['default', 'hover'],
      first: ['text', ...BOX_ROWS, 'font-family', 'font-size', 'font-weight', 'margin'],
    },
    {
      name: 'body',
      label: 'Body',
      find: [
        BODY,
        ':scope > p',
        `${STRIP} + *`,
        `${TITLE} + *`,
        ':scope > :is(h1, h2, h3, h4, h5, h6):first-child + *',
      ],
      carrier: 'panel',
      states: ['default', 'hover'],
      first: ['text', ...BOX_ROWS, 'background-repeat', 'font-size', 'line-height', 'margin'],
    },
    {
      name: 'heading-text',
      label: 'Text of the heading',
      find: [':scope > [class*=head] :is(h1, h2, h3, h4)', `${STRIP} :is(h1, h2, h3, h4)`],
      carrier: 'panel',
      states: ['default', 'hover'],
      first: MESSAGE_ROWS,
    },
  ],
  demands: [textDemand('heading', 'Heading on its ground'), textDemand('body', 'Body on its ground')],
};

export const PANEL_STARTER: Starter = {
  html: '<section class="rq-panel"><h3>Good to know</h3><div class="body">Dogs travel free.</div></section>',
  css: '.rq-panel { border: 1px solid #b9c3c6; border-radius: 10px; overflow: hidden }\n.rq-panel > h3 { margin: 0; padding: .8em 1.2em; background: #1f4e5f; color: #fff }\n.rq-panel > .body { padding: 1.2em; background: #fff; color: #14262c }',
};

export const PANEL_SIGNS: Signs = {
  kind: PANEL,
  recognise(element, page) {
    if (!isHtml(element, 'div', 'section', 'aside', 'article')) return 0;
    if (!hasClass(element, NAMED) && !isBoxed(element, page) && !hasStrip(element, page)) return 0;
    // A form is one itself, unless it stands in a box under a title.
    const isForm = holdings(element).has('field') && !hasStrip(element, page);
    if (isForm || isInside(element, (node) => isHtml(node, 'form', 'dialog'))) return 0;
    const [first] = element.children;
    const headed =
      first !== undefined &&
      (isHeading(first) ||
        (holdings(first).has('heading') && !hasClass(element, NAMED)) ||
        isHtml(first, 'header') ||
        hasClass(first, /head|title/i) ||
        hasStrip(element, page));
    return headed && element.children.length > 1 ? 0.8 : 0;
  },
};
