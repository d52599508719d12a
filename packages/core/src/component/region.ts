import { lookup } from '../base/lookup.js';
import { ancestors, type ElementNode } from '../tree/tree.js';

export const REGIONS: Readonly<Record<string, string>> = lookup({
  header: 'Header',
  nav: 'Navigation',
  main: 'Main content',
  footer: 'Footer',
  aside: 'Aside',
  dialog: 'Dialog',
  form: 'Form',
});

/** Where on the page an element stands: the nearest landmark's plain name. */
export function regionOf(element: ElementNode): string {
  for (const node of ancestors(element)) {
    const label = node.attributes.get('aria-label');
    const role = node.attributes.get('role');
    if (label && (REGIONS[node.name] || node.name === 'section')) return label;
    if (role === 'dialog' || role === 'alertdialog') return label ?? 'Dialog';
    // A form without a name says less than what it stands in.
    if (REGIONS[node.name] && node.name !== 'form') return REGIONS[node.name]!;
  }
  return 'Page';
}
