import type { StyledPage } from '../css/cascade/page-styles.js';
import { once } from '../memo/once.js';
import { ancestors, type ElementNode } from '../tree/tree.js';
import { isButtonElement, isFieldElement, isHtml, isLinkElement, isNav, roleOf } from './signs.js';
import { hasRoom, paints, textLength } from './shape.js';

const HOLDS_ITS_OWN = ['form', 'dialog', 'nav', 'header'];
const LONGEST = 1200;

const isSend = (page: StyledPage) => (node: ElementNode) =>
  isButtonElement(node) || (isLinkElement(node) && paints(page.of(node)) && hasRoom(page.of(node)));

/** Fields that stand in no form, each with what they belong to: the smallest box that has a button. */
export const looseFormsOn = once((page: StyledPage): ReadonlySet<ElementNode> => {
  const send = isSend(page);
  /** Elements that hold something to send with; worked out once for each. */
  const holdsSend = once((element: ElementNode): boolean =>
    element.children.some((child) => send(child) || holdsSend(child)),
  );
  const isApart = once((element: ElementNode): boolean => {
    const { parent } = element;
    if (!parent) return false;
    return (
      isHtml(parent, ...HOLDS_ITS_OWN) ||
      isNav(parent) ||
      /^(dialog|search|form)$/.test(roleOf(parent)) ||
      isApart(parent)
    );
  });
  const found = new Set<ElementNode>();
  for (const field of page.styles.tree.elements) {
    if (!isFieldElement(field) || isApart(field)) continue;
    for (const node of ancestors(field)) {
      if (isHtml(node, 'body', 'main', 'html') || textLength(node) > LONGEST) break;
      if (!holdsSend(node)) continue;
      found.add(node);
      break;
    }
  }
  const isInner = once(
    (node: ElementNode): boolean => node.parent !== undefined && (found.has(node.parent) || isInner(node.parent)),
  );
  // Of two that are one in the other the outer one is the form.
  return new Set([...found].filter((node) => !isInner(node)));
});
