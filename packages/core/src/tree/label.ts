import { ancestors, descendants, type ElementNode } from './tree.js';

const LABELABLE = new Set(['button', 'input', 'meter', 'output', 'progress', 'select', 'textarea']);

const isLabelable = (element: ElementNode): boolean =>
  element.namespace === 'html' &&
  LABELABLE.has(element.name) &&
  !(element.name === 'input' && element.attributes.get('type')?.toLowerCase() === 'hidden');

/** The control that a label is for (HTML, section 4.10.4): by its `for`, or the first one inside it. */
export function labelledControl(label: ElementNode): ElementNode | undefined {
  if (label.name !== 'label' || label.namespace !== 'html') return undefined;
  const id = label.attributes.get('for');
  if (id === undefined) {
    for (const node of descendants(label)) if (isLabelable(node)) return node;
    return undefined;
  }
  const root = [...ancestors(label)].at(-1) ?? label;
  for (const node of descendants(root)) {
    if (node.attributes.get('id') === id) return isLabelable(node) ? node : undefined;
  }
  return undefined;
}
