import type { StyledPage } from '../css/cascade/page-styles.js';
import { once, onceForText } from '../memo/once.js';
import { hull, type Box } from '../page/box.js';
import type { Geometry } from '../page/geometry.js';
import type { ElementNode } from '../tree/tree.js';
import { readShadows } from '../value/shadow.js';
import { grown, shadowReach } from './outer-shadow.js';

/** A sheet writes few shadows, for many elements. */
const written = onceForText(readShadows);
const PLAIN_LENGTH = /^[+-]?[\d.]+(px|rem)?$/;
const NO_SHADOW = /^(none|initial|unset|revert|revert-layer)$/i;

/**
 * How far a shadow may reach at most as it is written, in pixels, however dark it is; undefined where only the style of
 * an element tells its lengths.
 *
 * @param rem font size of the root, in pixels
 */
function farthest(text: string, rem: number): number | undefined {
  const pixels = (length: string) =>
    PLAIN_LENGTH.test(length) ? Number.parseFloat(length) * (length.endsWith('rem') ? rem : 1) : NaN;
  const reaches = (written(text) ?? [undefined]).map((shadow) => {
    if (!shadow || shadow.inset) return shadow ? 0 : NaN;
    const [x, y, blur, spread] = [shadow.x, shadow.y, shadow.blur, shadow.spread].map(pixels) as Four;
    // Nothing is left of a Gaussian beyond four deviations, which are half its blur.
    return Math.max(0, spread) + 2 * blur + Math.max(Math.abs(x), Math.abs(y));
  });
  const most = Math.max(0, ...reaches);
  return Number.isNaN(most) ? undefined : most;
}

type Four = [number, number, number, number];

/** How far the shadows of an element and of its pseudo-elements really reach. */
const exactly = (view: StyledPage, element: ElementNode): number =>
  Math.max(0, ...[undefined, 'before', 'after'].map((pseudo) => shadowReach(view.of(element, pseudo)) ?? 0));

/**
 * Boxes of what may throw a shadow around it at rest, as far as that may reach, with the elements' places. Styles are asked
 * only where what is written does not tell: on a large page they would take far longer.
 */
export const shadowed = once((view: StyledPage) =>
  once((geometry: Geometry) => {
    const rem = Number.parseFloat(view.of(view.styles.tree.root).text('font-size'));
    const may = view.styles.mayHave('box-shadow');
    const ofText = new Map<string, number | undefined>();
    const ofElement = new Map<ElementNode, number>();
    const reachOf = (element: ElementNode): number => {
      const known = ofElement.get(element);
      if (known !== undefined) return known;
      const reaches = (may.get(element) ?? []).map((text) => {
        if (NO_SHADOW.test(text)) return 0;
        if (/^inherit$/i.test(text)) return element.parent ? reachOf(element.parent) : 0;
        if (!ofText.has(text)) ofText.set(text, farthest(text, rem));
        return ofText.get(text);
      });
      const isTold = reaches.every((reach) => reach !== undefined);
      const reach = isTold ? Math.max(0, ...reaches) : exactly(view, element);
      ofElement.set(element, reach);
      return reach;
    };
    return [...may.keys()].flatMap((element): { readonly order: number; readonly box: Box }[] => {
      const measured = geometry.elements.get(element.order);
      const boxes = measured ? [measured.box, measured.before, measured.after].filter((own) => own !== undefined) : [];
      const reach = boxes.length ? reachOf(element) : 0;
      return reach ? [{ order: element.order, box: grown(hull(boxes), reach) }] : [];
    });
  }),
);
