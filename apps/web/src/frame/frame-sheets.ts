import { viewOf } from './dom';

/** A sheet of a frame's own, which nothing outside it shares. */
export function makeSheet(document: Document, css: string): CSSStyleSheet | undefined {
  const view = viewOf(document);
  if (!view) return undefined;
  const sheet = new view.CSSStyleSheet();
  sheet.replaceSync(css);
  return sheet;
}

const adoptedSheets = Object.getOwnPropertyDescriptor(Document.prototype, 'adoptedStyleSheets')!.set!;
const held = new WeakMap<Document, Map<string, readonly CSSStyleSheet[]>>();
/** Sheets of ours in the order of the cascade: what is skipped first, then the look, then what a view changes. */
const ORDER = ['skipped', 'look', 'ground', 'forced'] as const;

/** Puts sheets of one purpose into a frame, behind all sheets of the page and beside its tree, where no selector sees them. */
export function putSheets(document: Document, purpose: (typeof ORDER)[number], sheets: readonly CSSStyleSheet[]): void {
  let all = held.get(document);
  if (!all) held.set(document, (all = new Map()));
  all.set(purpose, sheets);
  adoptedSheets.call(
    document,
    ORDER.flatMap((name) => [...(all.get(name) ?? [])]),
  );
}
