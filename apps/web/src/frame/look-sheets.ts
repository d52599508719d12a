import { frameCss, type FrameRules } from '@retoque/core';
import { viewOf } from './dom';
import { putSheets } from './frame-sheets';

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
  while (own.length < texts.length) own.push({ sheet: new view.CSSStyleSheet(), css: '' });
  own.length = texts.length;
  texts.forEach((css, i) => {
    const item = own[i]!;
    if (item.css === css) return;
    item.sheet.replaceSync(css);
    item.css = css;
    changed = true;
  });
  held.set(document, own);
  if (isLonger)
    putSheets(
      document,
      'look',
      own.map(({ sheet }) => sheet),
    );
  return changed;
}
