import { contrastRatio } from '../colour/contrast.js';
import { over } from '../colour/composite.js';
import { WHITE, type Rgba } from '../colour/rgba.js';
import type { Looking } from '../paint/scene.js';
import type { ElementNode } from '../tree/tree.js';
import { without, type Check } from './check.js';
import { colourBehind } from './edge.js';
import { hiddenBy } from './hidden.js';
import { isSeenOn } from './seen.js';
import { borderWidths } from '../paint/boxes.js';
import { isInline } from './target.js';

const SIDES = ['top', 'right', 'bottom', 'left'] as const;

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
  const behind = colourBehind(looking, element.parent);
  // Lines that are kept transparent until the pointer comes are no marks.
  const isSeen = (colour: Rgba) => colour.alpha > 0 && (typeof behind === 'string' || isSeenOn(colour, behind));
  const isUnderlined = style.text('text-decoration-line') !== 'none' && isSeen(style.colour('text-decoration-color'));
  const widths = borderWidths(style);
  const hasBorder = SIDES.some((side, i) => widths[i]! > 0 && isSeen(style.colour(`border-${side}-color`)));
  const marks = [
    isUnderlined ? 'It is underlined.' : undefined,
    hasBorder ? 'It has a border.' : undefined,
    style.fontWeight >= around.fontWeight + 200 ? 'It is bolder.' : undefined,
    style.text('font-style') !== around.text('font-style') ? 'It is slanted otherwise.' : undefined,
    isSeen(style.colour('background-color')) ? 'It has a ground of its own.' : undefined,
  ].filter((mark) => mark !== undefined);
  if (marks.length) return { ...blank, verdict: 'passes', reason: marks[0] };
  const ground = typeof behind === 'string' ? WHITE : behind;
  const [own, text] = [over(style.colour('color'), ground), over(around.colour('color'), ground)];
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
