import type { ElementStyle } from '../css/cascade/element-style.js';
import { covers, meets, shared, type Box } from '../page/box.js';
import { paddingBox, SIDES, type Side } from '../paint/boxes.js';
import { clippedPart } from '../paint/clip-path.js';
import type { Looking } from '../paint/scene.js';
import { ancestors, selfAndAncestors, type ElementNode } from '../tree/tree.js';

/** What is drawn around an element: how far off its border box, inwards where it is negative, and how thick, in CSS pixels. */
export interface RingBox {
  readonly offset: number;
  readonly thickness: number;
}

/** Wider than any page. */
const FAR = 1e6;
/** Less than this of a ring is seen by nobody, in CSS pixels. */
const HARDLY = 0.5;

const cutsIn = (style: ElementStyle, axis: 'x' | 'y'): boolean =>
  style.text(`overflow-${axis}`) !== 'visible' || /\b(paint|strict|content)\b/.test(style.text('contain'));

/** What an element leaves of what it holds, where it cuts at all. */
function leftBy(style: ElementStyle, box: Box): Box | undefined {
  const [x, y] = [cutsIn(style, 'x'), cutsIn(style, 'y')];
  if (!x && !y) return undefined;
  const room = paddingBox(style, box);
  return {
    x: x ? room.x : -FAR,
    y: y ? room.y : -FAR,
    width: x ? room.width : 2 * FAR,
    height: y ? room.height : 2 * FAR,
  };
}

/** What is left of the page around an element by all that holds it; all of it where nothing cuts. */
function roomAround({ view, geometry }: Looking, element: ElementNode, box: Box): Box {
  let room: Box = { x: -FAR, y: -FAR, width: 2 * FAR, height: 2 * FAR };
  let position = view.of(element).text('position');
  for (const node of ancestors(element)) {
    // What the root and the body cut off lies beyond the window.
    if (position === 'fixed' || node.name === 'body' || node.name === 'html') break;
    const style = view.of(node);
    if (position === 'absolute' && style.text('position') === 'static') continue;
    position = style.text('position');
    const own = geometry?.elements.get(node.order)?.box;
    const left = own && leftBy(style, own);
    // What is not all in sight is scrolled to, and then stands elsewhere.
    if (left && covers(left, box)) room = shared(room, left);
  }
  return room;
}

/** The strip of a ring along one side of a box. */
function stripOf(box: Box, side: Side, { offset, thickness }: RingBox): Box {
  const out = offset + thickness;
  const wide = { x: box.x - out, width: box.width + 2 * out };
  const high = { y: box.y - out, height: box.height + 2 * out };
  if (side === 'top') return { ...wide, y: box.y - out, height: thickness };
  if (side === 'bottom') return { ...wide, y: box.y + box.height + offset, height: thickness };
  if (side === 'left') return { ...high, x: box.x - out, width: thickness };
  return { ...high, x: box.x + box.width + offset, width: thickness };
}

/**
 * The sides of a ring around an element that are seen: what holds the element may cut off what stands out of it, and a
 * `clip-path` cuts the ring with it. All four where nothing was measured.
 */
export function seenSides(looking: Looking, element: ElementNode, ring: RingBox): readonly Side[] {
  const { view, geometry } = looking;
  const box = geometry?.elements.get(element.order)?.box;
  if (!box || box.width <= 0 || box.height <= 0) return SIDES;
  const room = roomAround(looking, element, box);
  const clips = [...selfAndAncestors(element)].flatMap((node) => {
    const clip = view.of(node).text('clip-path');
    const own = geometry?.elements.get(node.order)?.box;
    return clip === 'none' || !own ? [] : [{ clip, box: own }];
  });
  return SIDES.filter((side) => {
    const strip = stripOf(box, side, ring);
    const left = shared(strip, room);
    if (!meets(strip, room) || Math.min(left.width, left.height) <= Math.min(HARDLY, ring.thickness / 2)) return false;
    return clips.every(({ clip, box: own }) => clippedPart(clip, own, left) !== 'none');
  });
}
