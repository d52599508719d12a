import { ORDER_ATTRIBUTE } from '@retoque/core';
import { attributeOf, parentOf } from './dom';
import { makeSheet, putSheets } from './frame-sheets';

/**
 * Puts one colour behind a component in place of its page: what holds it loses its grounds, and the page takes the
 * colour.
 *
 * @param root the component
 * @param ground a CSS colour; undefined for the page as it is
 */
export function chooseGround(document: Document, root: Element | null, ground: string | undefined): void {
  if (ground === undefined || !root) return putSheets(document, 'ground', []);
  const holders: string[] = [];
  for (let node = parentOf(root); node; node = parentOf(node)) {
    holders.push(`[${ORDER_ATTRIBUTE}="${attributeOf(node, ORDER_ATTRIBUTE)}"]`);
  }
  const css = `${holders.join(', ')} { background: none !important; backdrop-filter: none !important }
html${holders.at(-1) ?? ''} { background: ${ground} !important }`;
  const sheet = makeSheet(document, css);
  putSheets(document, 'ground', sheet ? [sheet] : []);
}
