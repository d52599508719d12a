import { tokenize, tokenTypes, url as cssUrl, string as cssString, type CssNode } from 'css-tree';
import type { SheetText } from '../css/sheet/sheet.js';
import { parse } from '../css/syntax/parser.js';
import { computedData } from '../css/values/url.js';
import { baseOf, isStylesheetLink, resolveAddress } from './sheets.js';
import type { PageTree } from '../tree/tree.js';

/** Where a reference stands in a text, and the address as written. */
export interface UrlSpan {
  readonly start: number;
  readonly end: number;
  readonly address: string;
}

/** Every url() of a sheet or a style attribute, strings inside url() included; bounds are of the whole url(…). */
export function urlSpans(css: string): UrlSpan[] {
  const spans: UrlSpan[] = [];
  let opened: number | undefined;
  let quoted: string | undefined;
  tokenize(css, (type, start, end) => {
    if (type === tokenTypes.Url) {
      spans.push({ start, end, address: cssUrl.decode(css.slice(start, end)) });
    } else if (type === tokenTypes.Function && /^(url|src)\($/i.test(css.slice(start, end))) {
      opened = start;
      quoted = undefined;
    } else if (opened !== undefined && type === tokenTypes.String) {
      quoted ??= cssString.decode(css.slice(start, end));
    } else if (opened !== undefined && type === tokenTypes.RightParenthesis) {
      if (quoted !== undefined) spans.push({ start: opened, end, address: quoted });
      opened = undefined;
    } else if (opened !== undefined && type !== tokenTypes.WhiteSpace) {
      opened = undefined;
    }
  });
  return spans;
}

const MENTIONS_URL = /(url|src)\(|\\/i;

/** The same of a sheet that was read: only what mentions any is taken into tokens, which for a large sheet takes long. */
export function urlSpansOf({ text, spans }: SheetText): UrlSpan[] {
  const found: UrlSpan[] = [];
  const look = (start: number, end: number) => {
    const piece = text.slice(start, end);
    if (!MENTIONS_URL.test(piece)) return;
    for (const span of urlSpans(piece)) found.push({ ...span, start: start + span.start, end: start + span.end });
  };
  let at = 0;
  for (const { start, end } of spans.rules) {
    // A rule within another was looked at with it.
    if (start < at) continue;
    if (start > at) look(at, start);
    look(start, end);
    at = end;
  }
  look(at, text.length);
  return found;
}

export interface ImportSpan extends UrlSpan {
  /** The rule's text after the address: layer, supports and media. */
  readonly rest: string;
}

/** The @import rules at a sheet's start. */
export function importSpans(css: string): ImportSpan[] {
  // Most sheets import nothing, and reading a large one takes long. The name may be written with escapes.
  if (!/@(import|\\|i\\|im\\|imp\\|impo\\|impor\\)/i.test(css)) return [];
  const sheet = parse(css, {
    positions: true,
    parseValue: false,
    parseRulePrelude: false,
    onParseError: () => undefined,
  });
  if (sheet.type !== 'StyleSheet') return [];
  const spans: ImportSpan[] = [];
  for (const node of sheet.children.toArray()) {
    if (node.type === 'Atrule' && /^(import|charset|layer)$/i.test(node.name) && !node.block) {
      if (node.name.toLowerCase() !== 'import' || !node.loc) continue;
      const prelude = node.prelude as (CssNode & { children?: { first: CssNode | null } }) | null;
      const first = prelude?.children?.first;
      if ((first?.type !== 'Url' && first?.type !== 'String') || !first.loc || !prelude?.loc) continue;
      spans.push({
        start: node.loc.start.offset,
        end: node.loc.end.offset,
        address: first.value,
        rest: css.slice(first.loc.end.offset, prelude.loc.end.offset).trim(),
      });
    } else if (node.type !== 'Comment') break;
  }
  return spans;
}

const isLocal = (address: string) => address === '' || address.startsWith('#');
export const isDataAddress = (address: string) => /^data:/i.test(address.trim());

const isSpace = (character: string | undefined) => character !== undefined && /[\t\n\f\r ]/.test(character);

/** Splits a srcset into its addresses (WHATWG HTML, section 4.8.4.2.1, without descriptors). */
export function srcsetAddresses(srcset: string): string[] {
  const addresses: string[] = [];
  let at = 0;
  while (at < srcset.length) {
    while (isSpace(srcset[at]) || srcset[at] === ',') at++;
    const start = at;
    while (at < srcset.length && !isSpace(srcset[at])) at++;
    let end = at;
    while (end > start && srcset[end - 1] === ',') end--;
    if (end > start) addresses.push(srcset.slice(start, end));
    if (end < at) continue;
    // Descriptors go up to a comma that stands outside parentheses.
    for (let depth = 0; at < srcset.length && (depth > 0 || srcset[at] !== ','); at++) {
      if (srcset[at] === '(') depth++;
      else if (srcset[at] === ')') depth = Math.max(0, depth - 1);
    }
  }
  return addresses;
}

export interface References {
  readonly sheets: readonly string[];
  readonly assets: readonly string[];
  /** Addresses that hold a picture themselves, as computed values have them. */
  readonly data: readonly string[];
}

const isDataPicture = (address: string) => /^data:image\//i.test(address.trim());

/** Absolute addresses of the sheets and pictures that a page's HTML asks for; what its sheets ask for comes from them. */
export function pageReferences(tree: PageTree, address: string): References {
  const base = baseOf(tree, address);
  const sheets = new Set<string>();
  const assets = new Set<string>();
  const data = new Set<string>();
  const want = (set: Set<string>, written: string | undefined) => {
    if (set === assets && written !== undefined && isDataPicture(written)) data.add(computedData(written.trim()));
    if (written === undefined || isLocal(written) || isDataAddress(written)) return;
    const absolute = resolveAddress(written, base);
    if (absolute) set.add(absolute.split('#')[0]!);
  };
  for (const element of tree.elements) {
    if (isStylesheetLink(element)) want(sheets, element.attributes.get('href'));
    if (['img', 'source', 'video', 'input'].includes(element.name)) {
      if (element.name !== 'video' && element.name !== 'source') want(assets, element.attributes.get('src'));
      if (element.name === 'video') want(assets, element.attributes.get('poster'));
      for (const item of srcsetAddresses(element.attributes.get('srcset') ?? '')) want(assets, item);
    }
    if (element.namespace === 'svg' && ['image', 'use'].includes(element.name)) {
      want(assets, element.attributes.get('href') ?? element.attributes.get('xlink:href'));
    }
    const style = element.attributes.get('style');
    if (style) for (const span of urlSpans(style)) want(assets, span.address);
    if (element.name === 'style') {
      const css = element.content.filter((item) => typeof item === 'string').join('');
      const found = sheetReferences(css, base);
      found.sheets.forEach((item) => sheets.add(item));
      found.assets.forEach((item) => assets.add(item));
      found.data.forEach((item) => data.add(item));
    }
  }
  return { sheets: [...sheets], assets: [...assets], data: [...data] };
}

/** Absolute addresses that a sheet asks for. */
export function sheetReferences(css: string, address: string): References {
  const imports = importSpans(css);
  const sheets = new Set<string>();
  const assets = new Set<string>();
  const data = new Set<string>();
  for (const span of imports) {
    const absolute = resolveAddress(span.address, address);
    if (absolute) sheets.add(absolute);
  }
  for (const span of urlSpans(css)) {
    if (imports.some((rule) => span.start >= rule.start && span.end <= rule.end)) continue;
    if (isDataPicture(span.address)) data.add(computedData(span.address.trim()));
    if (isLocal(span.address) || isDataAddress(span.address)) continue;
    const absolute = resolveAddress(span.address, address);
    if (absolute) assets.add(absolute.split('#')[0]!);
  }
  return { sheets: [...sheets], assets: [...assets], data: [...data] };
}
