import type { StyledPage } from '../css/cascade/page-styles.js';
import { once } from '../memo/once.js';
import { ancestors, type ElementNode } from '../tree/tree.js';
import { count, find, isButtonElement, isFieldElement, isHtml, isLinkElement, isNav, roleOf } from './signs.js';
import { hasRoom, paints, textLength } from './shape.js';

const HOLDS_ITS_OWN = ['form', 'dialog', 'nav', 'header', 'table', 'label'];
const LONGEST = 1200;

const isSend = (page: StyledPage) => (node: ElementNode) =>
  isButtonElement(node) || (isLinkElement(node) && paints(page.of(node)) && hasRoom(page.of(node)));

/** Fields that stand in no form, each with what they belong to: the smallest box that has a button, or several of them. */
export const looseFormsOn = once((page: StyledPage): ReadonlySet<ElementNode> => {
  const found = new Set<ElementNode>();
  for (const field of page.styles.tree.elements) {
    if (!isFieldElement(field) || isHtml(field, 'html')) continue;
    const around = [...ancestors(field)];
    if (around.some((node) => isHtml(node, ...HOLDS_ITS_OWN) && !isHtml(node, 'label', 'table')) || around.some(isNav))
      continue;
    if (around.some((node) => /^(dialog|search|form)$/.test(roleOf(node)))) continue;
    for (const node of around) {
      if (isHtml(node, 'body', 'main', 'html') || textLength(node) > LONGEST) break;
      if (!find(node, isSend(page))) continue;
      found.add(node);
      break;
    }
  }
  // Of two that are one in the other the outer one is the form.
  return new Set(
    [...found].filter(
      (node) => ![...ancestors(node)].some((outer) => found.has(outer)) && count(node, isFieldElement) > 0,
    ),
  );
});
