import { contrastRatio } from '../colour/contrast.js';
import { over } from '../colour/composite.js';
import { WHITE } from '../colour/rgba.js';
import type { Looking } from '../paint/scene.js';
import type { ElementNode } from '../page/tree.js';
import { without, type Check } from './check.js';
import { hiddenBy } from './hidden.js';
import { borderWidths } from '../paint/boxes.js';
import { isInline } from './target.js';

/** WCAG technique G183: a link that is told from its text by colour alone contrasts with it by this much. */
export const NEEDED_LINK = 3;

/** WCAG 2.2, 1.4.1: a link within text is told from it by more than its hue. Nothing for what is no such link. */
export function checkLinkInText(looking: Looking, element: ElementNode): Check | undefined {
  const { view } = looking;
  if (element.name !== 'a' || !element.attributes.has('href') || !isInline(view, element)) return undefined;
  if (hiddenBy(view, element)) return undefined;
  const style = view.of(element);
  const around = view.of(element.parent!);
  const blank = without('1.4.1', 'exempt', NEEDED_LINK, '');
  const marks = [
    style.text('text-decoration-line') !== 'none' ? 'It is underlined.' : undefined,
    borderWidths(style).some((width) => width > 0) ? 'It has a border.' : undefined,
    style.fontWeight >= around.fontWeight + 200 ? 'It is bolder.' : undefined,
    style.text('font-style') !== around.text('font-style') ? 'It is slanted otherwise.' : undefined,
    style.colour('background-color').alpha > 0.2 ? 'It has a ground of its own.' : undefined,
  ].filter((mark) => mark !== undefined);
  if (marks.length) return { ...blank, verdict: 'passes', reason: marks[0] };
  const [own, text] = [over(style.colour('color'), WHITE), over(around.colour('color'), WHITE)];
  const ratio = contrastRatio(own, text);
  return {
    ...blank,
    verdict: ratio >= NEEDED_LINK ? 'passes' : 'short',
    measured: ratio,
    foreground: own,
    background: text,
    reason: 'Only its colour tells it from the text around it.',
  };
}
