import { lookup } from '../base/lookup.js';
import { once } from '../memo/once.js';
import type { StyledPage } from '../css/cascade/page-styles.js';
import type { ParsedSheet } from '../css/sheet/sheet.js';
import { marked } from '../paint/scene-nodes.js';
import type { ElementNode } from '../tree/tree.js';
import { selfAndAncestors } from '../tree/tree.js';
import { drawnSize } from './drawn-size.js';
import { isLarge, type TextCase } from './text-case.js';

/** What of a text has a style of its own (CSS Pseudo-elements 4, section 2). */
type First = 'first-line' | 'first-letter';
const FIRSTS = lookup<string, First>({ 'first-line': 'In its first line.', 'first-letter': 'In its first letter.' });

/** A text in the colour of its first letter or line, and where that is. */
export interface FirstCase {
  readonly text: TextCase;
  readonly where: string;
}

/** Whether a sheet names them at all, which few do. */
const namesAny = once((sheet: ParsedSheet): boolean =>
  sheet.written.some(
    ({ head }) => head.mayName('first-l') && head.list.some(({ pseudoElement = '' }) => pseudoElement in FIRSTS),
  ),
);

/** Which of them rules name for an element. */
function namedFor({ styles }: StyledPage, element: ElementNode): readonly First[] {
  const named = new Set(styles.possibleEntries(element).map(({ selector }) => selector.pseudoElement));
  return (Object.keys(FIRSTS) as First[]).filter((name) => named.has(name));
}

/** Only what makes a block of its own has a first line and letter. */
const isBlock = (view: StyledPage, element: ElementNode): boolean =>
  !/^(inline|contents|none|flex|inline-flex|grid|inline-grid)$/.test(view.of(element).text('display'));

/** The element whose own text comes first in a block. */
function holdsFirst(element: ElementNode): ElementNode | undefined {
  for (const item of element.content) {
    if (typeof item === 'string') {
      if (item.trim()) return element;
    } else {
      const found = holdsFirst(item);
      if (found) return found;
    }
  }
  return undefined;
}

/** The cases of a text's first letter and first line, where a rule gives these another colour. */
export function firstCases(view: StyledPage, text: TextCase): FirstCase[] {
  const { carrier } = text;
  if (!view.styles.index.sheets.some(({ sheet }) => namesAny(sheet))) return [];
  const found: FirstCase[] = [];
  for (const block of selfAndAncestors(carrier)) {
    if (!isBlock(view, block)) continue;
    for (const name of namedFor(view, block)) {
      if (holdsFirst(block) !== carrier) continue;
      const style = view.of(block, name);
      // What an element within the line says of its own text holds there too; a first letter lies within that.
      if (name === 'first-line' && carrier !== block && view.of(carrier).winner('color')) continue;
      const colour = style.colour('-webkit-text-fill-color');
      const scene = { ...text.scene, nodes: marked(text.scene.nodes, colour) };
      const large = isLarge(drawnSize(style), style.fontWeight);
      found.push({ text: { ...text, colour, scene, large }, where: FIRSTS[name] });
    }
    // The first line of a block within a block is that of both.
    if (holdsFirst(block.parent ?? block) !== carrier) break;
  }
  return found;
}
