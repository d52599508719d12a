import type { Rgba } from '../../colour/rgba.js';
import { lookup } from '../../base/lookup.js';
import { parseColour } from '../../colour/parse.js';
import type { ElementStyle } from '../../css/cascade/element-style.js';
import type { StyledPage } from '../../css/cascade/page-styles.js';
import { opacityOf } from '../../paint/opacity.js';
import { share } from '../../value/share.js';
import { withId } from '../../css/selector/element-index.js';
import type { ElementNode } from '../../tree/tree.js';

/** Colours that something is drawn in, as far as they are known. */
export interface Inks {
  readonly colours: readonly Rgba[];
  /** Why more of it cannot be told. */
  readonly unknown: string | undefined;
}

const SHAPES = new Set(['path', 'rect', 'circle', 'ellipse', 'line', 'polyline', 'polygon', 'text', 'tspan']);
/** What is drawn only where something refers to it (SVG 2, section 5.3 and 14). */
const KEPT = new Set(['defs', 'symbol', 'clipPath', 'mask', 'pattern', 'marker', 'linearGradient', 'radialGradient']);
/** What holds more than shapes. */
const OTHERS: Readonly<Record<string, string>> = lookup({ image: 'a picture', foreignObject: 'a page' });

/** The element that a `use` draws, where it is in the same page. */
function usedBy(page: StyledPage, use: ElementNode): ElementNode | undefined {
  const href = (use.attributes.get('href') ?? use.attributes.get('xlink:href') ?? '').trim();
  if (!href.startsWith('#')) return undefined;
  return withId(page.styles.tree, href.slice(1));
}

/** Why what is painted with `url()` is not judged. */
export const NO_COLOUR_PAINT = 'It is painted with a gradient or a pattern, which is not measured.';

/** `use` within `use` goes no deeper. */
const DEEPEST = 4;

/**
 * The colours that a drawing's shapes are filled and stroked with, each faded by what fades it inside the drawing. Source:
 * SVG 2, section 13.
 */
export function svgInks(page: StyledPage, drawing: ElementNode): Inks {
  const colours: Rgba[] = [];
  let unknown: string | undefined;

  /** @param used the style that what is drawn by a `use` inherits from, where nothing inside says otherwise */
  const paint = (element: ElementNode, style: ElementStyle, alpha: number, used: readonly Used[]): void => {
    for (const [property, fading] of PAINTS) {
      if (property === 'stroke' && Number.parseFloat(style.text('stroke-width')) === 0) continue;
      const text = paintOf(page, element, property, used);
      if (text === 'none') continue;
      const colour = parseColour(text);
      if (!colour) unknown = NO_COLOUR_PAINT;
      else {
        const shown = colour.alpha * alpha * share(style.text(fading));
        if (shown > 0) colours.push({ ...colour, alpha: shown });
      }
    }
  };

  const visit = (element: ElementNode, alpha: number, used: readonly Used[], isWanted: boolean): void => {
    if (!isWanted && KEPT.has(element.name)) return;
    const style = page.of(element);
    // A symbol is not displayed where it stands, and yet where it is used.
    if (style.text('display') === 'none' && element.name !== 'symbol') return;
    const shown = element === drawing ? alpha : alpha * opacityOf(style);
    if (shown === 0) return;
    if (SHAPES.has(element.name) && style.text('visibility') === 'visible') paint(element, style, shown, used);
    const other = OTHERS[element.name];
    if (other) unknown = `It holds ${other}, which is not measured.`;
    if (element.name === 'use') {
      const target = usedBy(page, element);
      if (!target || used.length >= DEEPEST) unknown = 'It is drawn in another file, whose colours are not known.';
      else visit(target, shown, [...used, { style, target }], true);
      return;
    }
    for (const child of element.children) visit(child, shown, used, false);
  };
  visit(drawing, 1, [], true);
  return { colours, unknown };
}

interface Used {
  /** Style of the `use`. */
  readonly style: ElementStyle;
  /** What it draws. */
  readonly target: ElementNode;
}

const PAINTS = [
  ['fill', 'fill-opacity'],
  ['stroke', 'stroke-opacity'],
] as const;

/** What a shape is painted with. What a `use` draws inherits from it and not from where it stands (SVG 2, section 5.6). */
function paintOf(page: StyledPage, element: ElementNode, property: 'fill' | 'stroke', used: readonly Used[]): string {
  const last = used.at(-1);
  if (!last) return page.of(element).text(property);
  for (let at: ElementNode | undefined = element; at; at = at === last.target ? undefined : at.parent) {
    const winner = page.of(at).winner(property);
    if (!winner) continue;
    const isText = /^\s*currentcolor\s*$/i.test(winner.declaration.value);
    return isText ? colourOfText(page, at, last) : page.of(at).text(property);
  }
  return last.style.text(property);
}

function colourOfText(page: StyledPage, element: ElementNode, { style, target }: Used): string {
  for (let at: ElementNode | undefined = element; at; at = at === target ? undefined : at.parent)
    if (page.of(at).winner('color')) return page.of(at).text('color');
  return style.text('color');
}
