import { string as cssString } from 'css-tree';
import type { ValueContext } from './context.js';

const isLocal = (address: string) => address === '' || address.startsWith('#');

/** An address that holds its data, as a computed value has it. */
export function computedData(address: string): string {
  try {
    // Chromium encodes this one too after a question mark.
    const { href } = new URL(address);
    const mark = href.indexOf('?');
    return mark < 0 ? href : href.slice(0, mark) + href.slice(mark).replaceAll("'", '%27');
  } catch {
    return address;
  }
}

/** A url() with its address made absolute (CSS Values 4, section 4.5.1). */
export function computeUrl(address: string, context: ValueContext): string {
  if (isLocal(address)) return `url(${cssString.encode(address)})`;
  if (/^data:/i.test(address)) return `url(${cssString.encode(computedData(address))})`;
  let absolute = address;
  if (context.of.base !== undefined) {
    try {
      absolute = new URL(address, context.of.base).href;
    } catch {
      // An address that cannot be resolved stays as written.
    }
  }
  return `url(${cssString.encode(absolute)})`;
}
