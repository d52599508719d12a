import { readableText, type ElementNode } from '../tree/tree.js';
import type { FoundComponent } from './found.js';
import type { Kind } from './kind.js';
import { signsOf } from './kinds/signs.js';
import { regionOf } from './region.js';
import { headingText } from './signs.js';

/** Several of one kind and name, each with its number; what is known by its own words may be there twice. */
export function numbered(found: readonly FoundComponent[]): FoundComponent[] {
  const seen = new Map<string, number>();
  return found.map((item) => {
    const key = `${item.kind} ${item.name}`;
    const number = (seen.get(key) ?? 0) + 1;
    seen.set(key, number);
    const isOwn = signsOf({ name: item.kind })?.kind.single;
    return number > 1 && !isOwn ? { ...item, name: `${item.name} ${number}` } : item;
  });
}

const MAX_NAME = 40;

export const shortened = (text: string): string =>
  text.length > MAX_NAME ? `${text.slice(0, MAX_NAME - 1).trimEnd()}…` : text;

/** What a component is called: by its own words, its label or heading, or its kind and where it stands. */
export function nameFor(first: ElementNode, kind: Kind, count: number): string {
  const { attributes } = first;
  if (kind.single) {
    const own =
      readableText(first) || attributes.get('aria-label') || attributes.get('value') || attributes.get('title');
    return shortened(own?.trim() || kind.label);
  }
  const given = signsOf(kind)?.named?.(first) ?? attributes.get('aria-label');
  if (given) return shortened(given);
  if (count > 1)
    return shortened(`${kind.plural[0]!.toUpperCase()}${kind.plural.slice(1)}, ${regionOf(first).toLowerCase()}`);
  return shortened(headingText(first) ?? kind.label);
}
