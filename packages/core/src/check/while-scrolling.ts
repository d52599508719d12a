import type { Rgba } from '../colour/rgba.js';
import { once } from '../memo/once.js';
import { scrolls, type Geometry } from '../page/geometry.js';
import type { Looking } from '../paint/scene.js';
import { selfAndAncestors, type ElementNode } from '../tree/tree.js';
import { without, type Check } from './check.js';
import { showRatio } from '../colour/contrast.js';

/**
 * Greys that stand for whatever the page moves beneath something that stays: what is seen of them through a ground that
 * lets something through goes from dark to light, and where all of these pass so does all between. (From one to the next
 * the contrast of black and white with anything grows by less than three times, so that no colour that passes on both
 * sides is met in between.)
 */
const GREYS: readonly Rgba[] = [0, 0.25, 0.5, 0.75, 1].map((value) => ({ r: value, g: value, b: value, alpha: 1 }));

/** Less than this of a way is none; in CSS pixels. */
const HARDLY = 2;

const bottomOf = (geometry: Geometry, element: ElementNode): number => {
  const box = geometry.elements.get(element.order)?.box;
  return box ? box.y + box.height : 0;
};

/** What holds an element and stays in its place while the page is scrolled. */
export function staysWith({ view, geometry }: Looking, element: ElementNode): ElementNode | undefined {
  if (!geometry || !scrolls(geometry)) return undefined;
  for (const node of selfAndAncestors(element)) {
    const position = view.of(node).text('position');
    if (position === 'fixed') return node;
    // It goes along as far as what holds it reaches.
    const isFree = node.parent && bottomOf(geometry, node.parent) > bottomOf(geometry, node) + HARDLY;
    if (position === 'sticky' && isFree) return node;
  }
  return undefined;
}

/** The same page with a grey in place of all that lies beneath what stays. */
const overGrey = once((looking: Looking) => {
  const known = new Map<string, Looking>();
  return (element: ElementNode, colour: Rgba): Looking => {
    const key = `${element.order} ${colour.r}`;
    let found = known.get(key);
    if (!found) known.set(key, (found = { ...looking, beneath: { element, colour } }));
    return found;
  };
});

/**
 * A check of something that stays while the page is scrolled beneath it: it passes where it does over whatever there may
 * be, and where it passes only over what lies there at first nothing sure is said.
 */
export function whereverScrolled<C extends Check>(
  looking: Looking,
  element: ElementNode,
  check: (looking: Looking) => C,
): C | Check {
  const own = check(looking);
  if (own.verdict !== 'passes' || looking.beneath) return own;
  const stays = staysWith(looking, element);
  if (!stays) return own;
  const over = overGrey(looking);
  if (GREYS.every((grey) => check(over(stays, grey)).verdict === 'passes')) return own;
  const shown = own.measured === undefined ? '' : `, at ${showRatio(own.measured)}`;
  const reason = `It stays while the page moves beneath it. Over what is there at first it passes${shown}; over the rest it is not measured.`;
  return { ...without(own.criterion, 'unsure', own.needed, reason, own.basis), large: own.large };
}
