import { contrastRatio } from '../colour/contrast.js';
import { over } from '../colour/composite.js';
import { halvesOf } from '../paint/border-colour.js';
import { borderWidths } from '../paint/boxes.js';
import type { Looking } from '../paint/scene.js';
import type { ElementNode } from '../tree/tree.js';
import { without, type Check } from './check.js';
import { colourBehind } from './edge.js';
import { hiddenBy } from './hidden.js';
import { isTarget } from './is-target.js';
import { isSwitchedOff } from './switched-off.js';

/** Below this two grounds are the same to the eye; by common practice. */
const SEEN = 1.15;

/**
 * Advice, beside WCAG 2.2, 1.4.11, which asks nothing of a control that its words identify: one that is painted in the
 * colour of what lies behind it, without an edge or a shadow, is not seen to be one. Undefined for what has no ground,
 * and for what is told from it.
 */
export function checkLost(looking: Looking, element: ElementNode): Check | undefined {
  const { view } = looking;
  const style = view.of(element);
  const ground = style.colour('background-color');
  if (!isTarget(element) || style.drawn || ground.alpha === 0 || style.text('background-image') !== 'none')
    return undefined;
  if (hiddenBy(view, element) || isSwitchedOff(view, element)) return undefined;
  if (style.text('box-shadow') !== 'none' || style.text('display') === 'inline') return undefined;
  const behind = colourBehind(looking, element.parent);
  if (typeof behind === 'string') return undefined;
  const inside = over(ground, behind);
  const ratio = contrastRatio(inside, behind);
  const widths = borderWidths(style);
  const isEdged = (['top', 'right', 'bottom', 'left'] as const).some(
    (side, i) =>
      widths[i]! > 0 && halvesOf(style, side).some((half) => contrastRatio(over(half, inside), behind) >= SEEN),
  );
  if (ratio >= SEEN || isEdged) return undefined;
  return {
    ...without('distinct', 'exempt', SEEN, ''),
    verdict: 'short',
    measured: ratio,
    foreground: inside,
    background: behind,
    reason: 'Its ground is that of what lies behind it, and it has no edge: it is not seen to be a control.',
  };
}
