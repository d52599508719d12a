import { pathSelector } from '../../tree/path.js';
import { descendants, hasOwnText, textOf, type ElementNode } from '../../tree/tree.js';
import type { Applied } from '../cascade/applied.js';
import type { StyledPage } from '../cascade/page-styles.js';

/** A descendant with text whose colour does not come from the element. */
export interface LeftBehind {
  /** A selector that leads to it. */
  readonly path: string;
  readonly text: string;
  readonly colour: string;
  /** What sets it. */
  readonly selector: string;
  readonly sheet: string;
  readonly line: number;
  readonly inline: boolean;
}

const LONGEST = 60;

const byItself = (applied: Applied): boolean => {
  const value = applied.declaration.value.toLowerCase();
  return !['inherit', 'unset', 'currentcolor'].includes(value);
};

/** Descendants that a text colour set on the element does not reach, since they have one of their own. */
export function leftBehind(page: StyledPage, element: ElementNode): LeftBehind[] {
  const found: LeftBehind[] = [];
  for (const node of descendants(element)) {
    if (!hasOwnText(node)) continue;
    // The nearest of the node and what stands between it and the element decides.
    for (let at: ElementNode | undefined = node; at && at !== element; at = at.parent) {
      const winner = page.of(at).winner('color');
      if (!winner || !byItself(winner)) continue;
      const { place } = winner.declaration;
      found.push({
        path: pathSelector(node),
        text: textOf(node).slice(0, LONGEST),
        colour: page.of(node).text('color'),
        selector: winner.selector?.text ?? (winner.inline ? 'style attribute' : 'attribute'),
        sheet: winner.origin === 'browser' ? 'the browser' : place.sheet,
        line: place.line,
        inline: winner.inline,
      });
      break;
    }
  }
  return found;
}
