import { generate, string as cssString, walk } from 'css-tree';
import { parse } from '../css/syntax/parser.js';
import { urlSpans } from './references.js';
import { resolveAddress, sheetUses, type StoredSheet } from './sheets.js';
import type { PageTree } from '../tree/tree.js';

/** A font that a page's sheets load. */
export interface LoadedFont {
  readonly family: string;
  readonly style: string;
  readonly weight: string;
  /** Absolute addresses of its files, in the order in which a browser tries them. */
  readonly sources: readonly string[];
}

/** The `@font-face` rules of a page's own sheets, imported ones included. */
export function siteFonts(tree: PageTree, address: string, sheets: readonly StoredSheet[]): LoadedFont[] {
  const texts = sheetUses(tree, address, sheets).map((use) => ({ text: use.text, address: use.address }));
  const linked = new Set(texts.map((sheet) => sheet.address));
  // An imported sheet is no use of the page's own.
  for (const sheet of sheets) if (!linked.has(sheet.address)) texts.push({ text: sheet.text, address: sheet.address });
  return texts.flatMap((sheet) => {
    const found: LoadedFont[] = [];
    if (!/@font-face/i.test(sheet.text)) return found;
    walk(parse(sheet.text, { parseValue: false, onParseError: () => undefined }), {
      visit: 'Atrule',
      enter(node) {
        if (node.name.toLowerCase() !== 'font-face' || !node.block) return;
        const values = new Map<string, string>();
        node.block.children.forEach((item) => {
          if (item.type === 'Declaration') values.set(item.property.toLowerCase(), generate(item.value).trim());
        });
        const named = values.get('font-family');
        const sources = urlSpans(values.get('src') ?? '').flatMap((span) => {
          const absolute = resolveAddress(span.address, sheet.address);
          return absolute ? [absolute.split('#')[0]!] : [];
        });
        if (!named || !sources.length) return;
        found.push({
          family: /^["']/.test(named) ? cssString.decode(named) : named,
          style: values.get('font-style') ?? 'normal',
          weight: values.get('font-weight') ?? 'normal',
          sources,
        });
      },
    });
    return found;
  });
}
