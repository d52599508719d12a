import type { StyledPage } from '../css/cascade/page-styles.js';
import type { Box } from '../page/box.js';
import type { Looking } from '../paint/scene.js';
import { ancestors, type ElementNode } from '../tree/tree.js';
import { without, type Blank, type Check } from './check.js';
import { hiddenBy, hiddenVerdict } from './hidden.js';
import { isTarget } from './is-target.js';
import { isSwitchedOff } from './switched-off.js';

/** WCAG 2.2, 2.5.8 (AA) and 2.5.5 (AAA): width and height of a target in CSS pixels. */
export const TARGET_LEAST = 24;
export const TARGET_ENHANCED = 44;

/** Words: a bar or a dot between links is no sentence around them. */
const WORDS = /[\p{L}\p{N}]/u;

/** A link within a line of text, whose height the line decides (WCAG 2.2, 2.5.8, inline). */
export function isInline(view: StyledPage, element: ElementNode): boolean {
  if (view.of(element).text('display') !== 'inline') return false;
  return element.parent?.content.some((item) => typeof item === 'string' && WORDS.test(item)) ?? false;
}

const others = new WeakMap<object, readonly (readonly [ElementNode, Box])[]>();

/** All targets of a measured page, with their boxes. */
function targetsOf({ view, geometry }: Looking): readonly (readonly [ElementNode, Box])[] {
  if (!geometry) return [];
  let found = others.get(geometry);
  if (!found) {
    found = view.styles.tree.elements.flatMap((element) => {
      const box = geometry.elements.get(element.order)?.box;
      return box && box.width > 0 && isTarget(element) ? [[element, box] as const] : [];
    });
    others.set(geometry, found);
  }
  return found;
}

/** Distance from a point to a box. */
function distance(x: number, y: number, box: Box): number {
  const dx = Math.max(box.x - x, 0, x - box.x - box.width);
  const dy = Math.max(box.y - y, 0, y - box.y - box.height);
  return Math.hypot(dx, dy);
}

const middle = (box: Box) => [box.x + box.width / 2, box.y + box.height / 2] as const;

/** A small target has room where a circle of 24 pixels around its middle meets no other target, nor another's circle. */
function hasRoom(looking: Looking, element: ElementNode, box: Box): boolean {
  const [x, y] = middle(box);
  const near = new Set<ElementNode>([element, ...ancestors(element)]);
  return targetsOf(looking).every(([other, theirs]) => {
    if (other.order === element.order || [...near].some((node) => node.order === other.order)) return true;
    if (distance(x, y, theirs) < TARGET_LEAST / 2) return false;
    const small = theirs.width < TARGET_LEAST || theirs.height < TARGET_LEAST;
    const [ox, oy] = middle(theirs);
    return !small || Math.hypot(ox - x, oy - y) >= TARGET_LEAST;
  });
}

/** The size of a target, its smaller side; small ones may have room around them instead, at level AA. */
export function checkTarget(looking: Looking, element: ElementNode, enhanced: boolean): Check {
  const criterion = enhanced ? ('2.5.5' as const) : ('2.5.8' as const);
  const needed = enhanced ? TARGET_ENHANCED : TARGET_LEAST;
  const blank = (verdict: Blank, reason: string) =>
    without(criterion, verdict, needed, reason, looking.geometry ? 'geometry' : 'ancestors', 'px');
  const { view, geometry } = looking;
  const hidden = hiddenBy(view, element);
  if (hidden) return blank(hiddenVerdict(hidden), hidden);
  if (isSwitchedOff(view, element)) return blank('exempt', 'Disabled controls are exempt.');
  if (isInline(view, element)) return blank('exempt', 'It stands within a line of text.');
  const box = geometry?.elements.get(element.order)?.box;
  if (!box) return blank('unsure', 'How large it is, only geometry tells.');
  if (view.of(element).drawn && view.of(element).text('appearance') === 'auto') {
    return blank('exempt', 'The browser decides its size.');
  }
  const size = Math.min(box.width, box.height);
  const isLarge = size >= needed - 0.01;
  const room = !isLarge && !enhanced && hasRoom(looking, element, box);
  return {
    ...blank('exempt', ''),
    verdict: isLarge || room ? 'passes' : 'short',
    measured: size,
    reason: room
      ? 'It is small, and has room around it.'
      : isLarge
        ? undefined
        : `It is ${Math.round(box.width)} by ${Math.round(box.height)} px.`,
  };
}
