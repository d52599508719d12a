import { frameCss, type FrameRules } from '@retoque/core';
import { boxOf, rootOf, viewOf } from './dom';
import { makeSheet, putSheets } from './frame-sheets';

interface Held {
  readonly sheet: CSSStyleSheet;
  css: string;
}

const held = new WeakMap<Document, Held[]>();

/**
 * Puts a look into a still frame, a sheet for each part, so that an edit replaces no more than the sheet of its part.
 *
 * @param forced pointer and keyboard states that are forced somewhere in the frame, as bits
 * @returns true when something has changed
 */
export function showLook(document: Document, look: readonly FrameRules[], forced: number): boolean {
  const view = viewOf(document);
  if (!view) return false;
  const own = held.get(document) ?? [];
  const texts = look.map((rules) => frameCss(rules, forced));
  const isLonger = texts.length !== own.length;
  let changed = isLonger;
  let hasBars = false;
  while (own.length < texts.length) own.push({ sheet: new view.CSSStyleSheet(), css: '' });
  own.length = texts.length;
  texts.forEach((css, i) => {
    const item = own[i]!;
    if (item.css === css) return;
    hasBars ||= (item.css + css).includes('::-webkit-scrollbar');
    item.sheet.replaceSync(css);
    item.css = css;
    changed = true;
  });
  held.set(document, own);
  const sheets = own.map(({ sheet }) => sheet);
  if (hasBars) drawBarsAnew(document, sheets);
  else if (isLonger) putSheets(document, 'look', sheets);
  return changed;
}

/** Chromium does not draw a scrollbar anew where its rules alone have changed: it is taken away and comes back. */
function drawBarsAnew(document: Document, sheets: readonly CSSStyleSheet[]): void {
  const without = makeSheet(document, '*::-webkit-scrollbar { display: none !important }');
  if (without) putSheets(document, 'look', [...sheets, without]);
  boxOf(rootOf(document));
  putSheets(document, 'look', sheets);
}
