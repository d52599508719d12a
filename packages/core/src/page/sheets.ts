import { BROWSER_SHEET, QUIRKS_SHEET } from '../css/sheet/browser-sheet.js';
import type { CascadeSheet } from '../css/cascade/rule-entry.js';
import { parseSheet } from '../css/sheet/parse-sheet.js';
import { parseMedia } from '../css/sheet/preludes.js';
import { sharedSheet } from '../css/sheet/shared-sheet.js';
import type { Condition } from '../css/sheet/sheet.js';
import { textOf, type ElementNode, type PageTree } from '../tree/tree.js';

/** A stylesheet as stored with a page: the address that the page or another sheet gives for it, and its text. */
export interface StoredSheet {
  /** Absolute address, or a name of its own for pasted and embedded sheets. */
  readonly address: string;
  readonly text: string;
}

/** A sheet in the order in which the page uses it, before parsing. */
export interface SheetUse {
  readonly kind: 'link' | 'style' | 'given';
  readonly address: string;
  /** Short name for people: file name, or "style 1". */
  readonly name: string;
  readonly text: string;
  readonly media: string;
  readonly element: ElementNode | undefined;
}

/** Resolves an address against a base as browsers do; undefined when it cannot be one. */
export function resolveAddress(address: string, base: string): string | undefined {
  try {
    return new URL(address.trim(), base).href;
  } catch {
    return undefined;
  }
}

/** The base that a page's relative addresses refer to: its own address, or its `base` element. */
export function baseOf(tree: PageTree, address: string): string {
  const base = tree.elements.find((element) => element.name === 'base' && element.attributes.has('href'));
  return (base && resolveAddress(base.attributes.get('href')!, address)) ?? address;
}

export function fileName(address: string): string {
  const path = address.split(/[?#]/)[0]!;
  return decodeURIComponentSafe(path.slice(path.lastIndexOf('/') + 1)) || address;
}

function decodeURIComponentSafe(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
}

export const isStylesheetLink = (element: ElementNode): boolean =>
  element.name === 'link' &&
  element.namespace === 'html' &&
  (element.attributes.get('rel') ?? '').toLowerCase().split(/\s+/).includes('stylesheet') &&
  !(element.attributes.get('rel') ?? '').toLowerCase().split(/\s+/).includes('alternate') &&
  element.attributes.has('href') &&
  !element.attributes.has('disabled');

/** Sheets of a page in document order: linked ones that are stored, and style elements. */
export function sheetUses(tree: PageTree, address: string, stored: readonly StoredSheet[]): SheetUse[] {
  const base = baseOf(tree, address);
  const byAddress = new Map(stored.map((sheet) => [sheet.address, sheet]));
  const uses: SheetUse[] = [];
  let embedded = 0;
  for (const element of tree.elements) {
    if (isStylesheetLink(element)) {
      const target = resolveAddress(element.attributes.get('href')!, base);
      const sheet = target ? byAddress.get(target) : undefined;
      if (!sheet) continue;
      uses.push({
        kind: 'link',
        address: sheet.address,
        name: fileName(sheet.address),
        text: sheet.text,
        media: element.attributes.get('media') ?? '',
        element,
      });
    } else if (element.name === 'style' && element.namespace === 'html') {
      const type = element.attributes.get('type')?.toLowerCase();
      if (type && type !== 'text/css') continue;
      uses.push({
        kind: 'style',
        address,
        name: `style ${++embedded}`,
        text: element.content.filter((item) => typeof item === 'string').join(''),
        media: element.attributes.get('media') ?? '',
        element,
      });
    }
  }
  return uses;
}

/** Sheets that stand behind a page's own without being linked by it. */
export const givenSheets = (sheets: readonly StoredSheet[]): SheetUse[] =>
  sheets.map(({ address, text }) => ({
    kind: 'given',
    address,
    name: fileName(address),
    text,
    media: '',
    element: undefined,
  }));

const MAX_IMPORT_DEPTH = 8;
let browserSheet: CascadeSheet | undefined;

/** The browser's own sheet, parsed once. */
export function browserCascade(): CascadeSheet {
  browserSheet ??= {
    sheet: parseSheet('browser', BROWSER_SHEET),
    origin: 'browser',
    conditions: [],
    layer: [],
  };
  return browserSheet;
}

let quirksSheet: CascadeSheet | undefined;

/** What the browser's own sheet adds in quirks mode, parsed once. */
function quirksCascade(): CascadeSheet {
  quirksSheet ??= { sheet: parseSheet('browser', QUIRKS_SHEET), origin: 'browser', conditions: [], layer: [] };
  return quirksSheet;
}

/** Parses the sheets of a page, @import followed, in cascade order after the browser's own. */
export function cascadeSheets(
  uses: readonly SheetUse[],
  stored: readonly StoredSheet[],
  quirks = false,
): CascadeSheet[] {
  const byAddress = new Map(stored.map((sheet) => [sheet.address, sheet]));
  const result: CascadeSheet[] = [browserCascade(), ...(quirks ? [quirksCascade()] : [])];
  const add = (
    name: string,
    address: string,
    text: string,
    conditions: readonly Condition[],
    layer: readonly string[],
    chain: readonly string[],
    owner: ElementNode | undefined,
  ) => {
    const sheet = sharedSheet(name, text, { base: address, quirks });
    for (const imported of sheet.imports) {
      const target = resolveAddress(imported.address, address);
      const found = target === undefined ? undefined : byAddress.get(target);
      if (!found || chain.includes(found.address) || chain.length > MAX_IMPORT_DEPTH) continue;
      add(
        fileName(found.address),
        found.address,
        found.text,
        [...conditions, ...imported.conditions],
        [...layer, ...(imported.layer ?? [])],
        [...chain, found.address],
        owner,
      );
    }
    result.push({ sheet, origin: 'author', conditions, layer, owner });
  };
  for (const use of uses) {
    const conditions = use.media.trim() ? [parseMedia(use.media)] : [];
    const owner = use.kind === 'style' ? use.element?.parent : undefined;
    add(use.name, use.address, use.text, conditions, [], [use.address], owner);
  }
  return result;
}

export const titleOf = (tree: PageTree): string => {
  const title = tree.elements.find((element) => element.name === 'title' && element.namespace === 'html');
  return title ? textOf(title) : '';
};
