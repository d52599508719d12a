import { inputType } from '../css/selector/form-state.js';
import { ancestors, descendants, textOf, type ElementNode } from '../tree/tree.js';

/** What tells one sort of component from another in markup: names, roles and what an element holds. */

export const roleOf = (element: ElementNode): string => element.attributes.get('role')?.toLowerCase() ?? '';

export const isHtml = (element: ElementNode, ...names: string[]): boolean =>
  element.namespace === 'html' && (!names.length || names.includes(element.name));

/** True when a class, the id or the label of the element matches. */
export function isCalled(element: ElementNode, pattern: RegExp): boolean {
  return (
    element.classes.some((name) => pattern.test(name)) ||
    (element.id !== undefined && pattern.test(element.id)) ||
    pattern.test(element.attributes.get('aria-label') ?? '')
  );
}

export const hasClass = (element: ElementNode, pattern: RegExp): boolean =>
  element.classes.some((name) => pattern.test(name));

export function find(element: ElementNode, test: (node: ElementNode) => boolean): ElementNode | undefined {
  for (const node of descendants(element)) if (test(node)) return node;
  return undefined;
}

export function count(element: ElementNode, test: (node: ElementNode) => boolean): number {
  let n = 0;
  for (const node of descendants(element)) if (test(node)) n++;
  return n;
}

export const isInside = (element: ElementNode, test: (node: ElementNode) => boolean): boolean => {
  for (const node of ancestors(element)) if (test(node)) return true;
  return false;
};

export const isLinkElement = (element: ElementNode): boolean => isHtml(element, 'a') && element.attributes.has('href');

export const isHeading = (element: ElementNode): boolean =>
  (element.namespace === 'html' && /^h[1-6]$/.test(element.name)) || roleOf(element) === 'heading';

export const isButtonElement = (element: ElementNode): boolean =>
  isHtml(element, 'button') ||
  roleOf(element) === 'button' ||
  (isHtml(element, 'input') && ['submit', 'button', 'reset', 'image'].includes(inputType(element)));

/** A control that somebody fills in. */
export const isFieldElement = (element: ElementNode): boolean =>
  isHtml(element, 'select', 'textarea') ||
  (isHtml(element, 'input') && !['submit', 'button', 'reset', 'image', 'hidden'].includes(inputType(element)));

export const isPassword = (element: ElementNode): boolean =>
  isHtml(element, 'input') && inputType(element) === 'password';

export const isNav = (element: ElementNode): boolean => isHtml(element, 'nav') || roleOf(element) === 'navigation';

/** Short text of the first heading inside. */
export function headingText(element: ElementNode): string | undefined {
  const heading = find(element, isHeading);
  return (heading && textOf(heading)) || undefined;
}

export const COOKIE = /cookie|consent/i;
export const CRUMBS = /bread-?crumb|(^|[-_])crumbs?([-_]|$)/i;
export const PAGES = /(^|[-_\s])(pagination|pager)([-_\s]|$)/i;
