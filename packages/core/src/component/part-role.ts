import { isField, isLink } from '../css/selector/form-state.js';
import type { FoundPart } from './parts.js';
import { hasOwnText, readableText, type ElementNode } from '../tree/tree.js';
import { find, isButtonElement, isHeading, isHtml, roleOf } from './signs.js';

/** What a part is to those who use it, whatever its kind calls it. */
export type PartRole = 'control' | 'field' | 'heading' | 'text' | 'icon' | 'picture' | 'line' | 'mark' | 'ground';

const PRESSED = new Set(['button', 'link', 'tab', 'menuitem', 'option', 'switch', 'checkbox', 'radio']);

const isControl = (element: ElementNode): boolean =>
  isLink(element) || isButtonElement(element) || isHtml(element, 'summary') || PRESSED.has(roleOf(element));

/** The role of a part, by what its first element is. */
export function roleOfPart({ part, elements: [element] }: Pick<FoundPart, 'part' | 'elements'>): PartRole {
  if (!element) return 'ground';
  if (part.pseudo !== undefined) return part.pseudo === 'placeholder' ? 'text' : 'mark';
  if (element.namespace === 'svg') return 'icon';
  if (isHtml(element, 'img', 'video', 'picture', 'canvas')) return 'picture';
  if (isControl(element)) return 'control';
  if (isField(element)) return 'field';
  if (isHeading(element)) return 'heading';
  if (isHtml(element, 'hr')) return 'line';
  const holdsMore = find(element, (node) => node !== element && (isControl(node) || isField(node) || isHeading(node)));
  if (hasOwnText(element) && !holdsMore) return 'text';
  if (!readableText(element) && !element.children.length) return 'line';
  return 'ground';
}
