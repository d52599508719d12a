import { textOf, type PageTree } from './tree.js';

/** Shorter text than this, with nothing to press, is no page that a reader could use. */
const MEANINGFUL_TEXT = 40;

/**
 * True when a page shows next to nothing by itself and a script would build it in the browser.
 *
 * @param scripts how many scripts the page had before they were taken out
 */
export function isBuiltByScript(tree: PageTree, scripts: number): boolean {
  if (scripts === 0) return false;
  const body = tree.elements.find((element) => element.name === 'body');
  if (!body) return true;
  const usable = tree.elements.some((element) =>
    ['a', 'button', 'input', 'select', 'textarea', 'form'].includes(element.name),
  );
  return !usable && textOf(body).length < MEANINGFUL_TEXT;
}
