import { string as cssString } from 'css-tree';
import type { ValueContext } from './context.js';

const isLocal = (address: string) => address === '' || address.startsWith('#');

/** A url() with its address made absolute (CSS Values 4, section 4.5.1). */
export function computeUrl(address: string, context: ValueContext): string {
  if (isLocal(address)) return `url(${cssString.encode(address)})`;
  let absolute = address;
  const data = /^data:/i.test(address);
  const base = data ? 'data:,' : context.of.base;
  if (base !== undefined) {
    try {
      absolute = new URL(address, base).href;
      // Chromium encodes this one too after a question mark.
      if (data) absolute = absolute.replace(/\?.*$/s, (query) => query.replace(/'/g, '%27'));
    } catch {
      // An address that cannot be resolved stays as written.
    }
  }
  return `url(${cssString.encode(absolute)})`;
}
