import { resolveAddress } from '../page/sheets.js';
import type { ElementNode } from '../tree/tree.js';
import { lookup } from '../base/lookup.js';

export type Replaced =
  | { readonly kind: 'picture'; readonly address: string; readonly isPoster: boolean }
  | { readonly kind: 'unknown'; readonly why: string };

const WHY: Readonly<Record<string, string>> = lookup({
  canvas: 'Something that a script draws lies behind',
  iframe: 'Another page lies behind',
  object: 'An embedded object lies behind',
  embed: 'An embedded object lies behind',
  svg: 'A drawing lies behind',
});

/**
 * What an element draws itself in place of text. A video's poster stands for its picture.
 *
 * @returns undefined for elements that draw nothing of the kind
 */
export function pictureOf(element: ElementNode, base: string | undefined): Replaced | undefined {
  const { name, attributes } = element;
  const poster = name === 'video' ? attributes.get('poster') : undefined;
  const source = name === 'img' ? attributes.get('src') : poster;
  if (source !== undefined) {
    const address = resolveAddress(source, base ?? 'https://page.invalid/');
    return address ? { kind: 'picture', address, isPoster: poster !== undefined } : undefined;
  }
  if (name === 'video') return { kind: 'unknown', why: 'A video without a poster lies behind' };
  const why = WHY[name];
  return why && element.parent?.namespace !== 'svg' ? { kind: 'unknown', why } : undefined;
}
