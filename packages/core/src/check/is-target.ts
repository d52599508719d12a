import type { ElementNode } from '../tree/tree.js';

const ROLES = /^(button|link|tab|menuitem|menuitemcheckbox|menuitemradio|switch|checkbox|radio|option|slider)$/;

/** What a pointer is aimed at. */
export function isTarget(element: ElementNode): boolean {
  const { name, attributes } = element;
  if (element.namespace !== 'html') return false;
  if (name === 'a' || name === 'area') return attributes.has('href');
  if (name === 'input') return attributes.get('type')?.toLowerCase() !== 'hidden';
  if (/^(button|select|textarea|summary)$/.test(name)) return true;
  return ROLES.test(attributes.get('role') ?? '') || attributes.get('tabindex') === '0';
}
