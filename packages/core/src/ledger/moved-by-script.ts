import { without, type Check } from '../check/check.js';
import { LONGEST_MOTION_MS } from '../check/motion.js';
import { behavioursOf } from '../component/behaviours/index.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import { descendants, type ElementNode } from '../tree/tree.js';

const isPauser = (node: ElementNode): boolean => node.name === 'button' && node.attributes.get('data-do') === 'pause';

/**
 * WCAG 2.2, 2.2.2, of what the handed-over script moves: it does so only while a pause button of the component can be
 * pressed, which the script's own tests hold. Nothing for what does not move: without such a button, or by its settings.
 */
export function checkMovedByScript(style: ElementStyle, element: ElementNode): Check | undefined {
  const settingOf = (name: string) => style.text(name).trim();
  if (!behavioursOf(element).some(({ moves }) => moves?.(settingOf))) return undefined;
  if (![...descendants(element)].some(isPauser)) return undefined;
  return {
    ...without('2.2.2', 'exempt', LONGEST_MOTION_MS, '', 'ancestors', 'ms'),
    verdict: 'passes',
    reason: 'Its script moves it only while its pause button can be pressed.',
  };
}
