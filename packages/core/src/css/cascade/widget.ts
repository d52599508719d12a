import type { ElementNode } from '../../tree/tree.js';
import { lookup } from '../../base/lookup.js';

/** Form controls that the browser draws itself as long as nothing takes their appearance away. */
export type Widget = 'check' | 'radio' | 'other';

const DRAWN = new Set(['button', 'input', 'select', 'textarea', 'meter', 'progress']);

/** What sort of control an element is; undefined for elements that no browser draws. */
export function widgetOf(element: ElementNode): Widget | undefined {
  if (element.namespace !== 'html' || !DRAWN.has(element.name)) return undefined;
  if (element.name !== 'input') return 'other';
  const type = element.attributes.get('type')?.toLowerCase();
  return type === 'checkbox' ? 'check' : type === 'radio' ? 'radio' : 'other';
}

/** `display` of a drawn control: it is never laid out as text or as a part of a table. */
export const WIDGET_DISPLAY: Readonly<Record<string, string>> = lookup({
  inline: 'inline-block',
  'inline-table': 'inline-block',
  'table-row-group': 'inline-block',
  'table-header-group': 'inline-block',
  'table-footer-group': 'inline-block',
  'table-row': 'inline-block',
  'table-column-group': 'inline-block',
  'table-column': 'inline-block',
  'table-cell': 'inline-block',
  'table-caption': 'inline-block',
  'list-item': 'block',
  table: 'block',
});

const BOX = /^(padding-|border-(top|right|bottom|left)-(width|style|color)$|border-.+-radius$)/;

/** What a drawn checkbox or radio button makes of padding and edges; undefined where it takes what is set. */
export function widgetBox(widget: Widget, property: string): string | undefined {
  if (widget === 'other' || !BOX.test(property)) return undefined;
  if (property.startsWith('padding')) return '0px';
  if (property.endsWith('radius')) return widget === 'radio' ? '50%' : '0px';
  return property.endsWith('width') ? '0px' : property.endsWith('style') ? 'none' : 'currentcolor';
}
