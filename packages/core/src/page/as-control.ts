import { defaultTreeAdapter, parseFragment, serializeOuter, type DefaultTreeAdapterTypes as Dom } from 'parse5';
import { isLink } from '../css/selector/form-state.js';
import type { ElementNode } from '../tree/tree.js';

/** True for what only looks like a control: no link, no button, and nothing that a keyboard reaches as one. */
export const isImposter = (element: ElementNode): boolean =>
  !isLink(element) &&
  !['button', 'input', 'summary'].includes(element.name) &&
  // A role says what it is to be; only with a place in the order of keys is it reached.
  !(element.attributes.get('role') === 'button' && element.attributes.has('tabindex'));

const DROPPED = new Set(['role', 'tabindex', 'href', 'type']);

/**
 * The markup of a block of text as a link or a button, with its classes and what it holds.
 *
 * @returns undefined for markup without an element
 */
export function asControl(markup: string, tag: 'a' | 'button'): string | undefined {
  const element = parseFragment(markup).childNodes.find((node): node is Dom.Element => 'tagName' in node);
  if (!element) return undefined;
  const kept = element.attrs.filter(({ name }) => !DROPPED.has(name) && !name.startsWith('on'));
  const own = tag === 'a' ? { name: 'href', value: '#' } : { name: 'type', value: 'button' };
  const control = defaultTreeAdapter.createElement(tag, element.namespaceURI, [own, ...kept]);
  for (const child of [...element.childNodes]) defaultTreeAdapter.appendChild(control, child);
  return serializeOuter(control);
}
