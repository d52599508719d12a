import { PageTooLargeError, parseHtml, type ElementNode } from '@retoque/core';

/** Bounds of what a drawing may ask for; a drawing that asks for more is not decoded. */
export const DRAWING_BOUNDS = {
  /** Radius of feMorphology, in user units: each pixel looks at its square. */
  morphologyRadius: 40,
  /** Columns or rows of feConvolveMatrix: each pixel looks at all of them. */
  matrixOrder: 15,
  turbulenceOctaves: 8,
  /** Filter primitives in the drawing. */
  primitives: 60,
  /** Elements that are drawn once every `use` is put in its place. */
  drawn: 50_000,
} as const;

const numbers = (text: string | undefined): number[] =>
  (text ?? '')
    .split(/[\s,]+/)
    .map(Number)
    .filter(Number.isFinite);
const largest = (text: string | undefined): number => Math.max(0, ...numbers(text).slice(0, 4));

function costOfPrimitive({ name, attributes }: ElementNode): string | undefined {
  switch (name.toLowerCase()) {
    case 'femorphology':
      return largest(attributes.get('radius')) > DRAWING_BOUNDS.morphologyRadius
        ? `feMorphology with a radius over ${DRAWING_BOUNDS.morphologyRadius}`
        : undefined;
    case 'feconvolvematrix':
      return largest(attributes.get('order')) > DRAWING_BOUNDS.matrixOrder
        ? `feConvolveMatrix with an order over ${DRAWING_BOUNDS.matrixOrder}`
        : undefined;
    case 'feturbulence':
      return largest(attributes.get('numOctaves') ?? attributes.get('numoctaves')) > DRAWING_BOUNDS.turbulenceOctaves
        ? `feTurbulence with more than ${DRAWING_BOUNDS.turbulenceOctaves} octaves`
        : undefined;
    default:
      return undefined;
  }
}

/** How many elements are drawn for each, uses put in their places; past the bound it stops counting. */
function drawnElements(root: ElementNode, byId: ReadonlyMap<string, ElementNode>): number {
  const counted = new Map<ElementNode, number>();
  const open = new Set<ElementNode>();
  const count = (element: ElementNode): number => {
    const known = counted.get(element);
    if (known !== undefined) return known;
    // A use within what it uses draws nothing.
    if (open.has(element) || open.size > 1000) return 0;
    open.add(element);
    let sum = 1;
    for (const child of element.children) sum += count(child);
    if (element.name === 'use') {
      const href = element.attributes.get('href') ?? element.attributes.get('xlink:href') ?? '';
      const used = href.startsWith('#') ? byId.get(href.slice(1)) : undefined;
      if (used) sum += count(used);
    }
    open.delete(element);
    const total = Math.min(sum, DRAWING_BOUNDS.drawn * 2);
    counted.set(element, total);
    return total;
  };
  return count(root);
}

/**
 * What in an SVG drawing costs too much to draw, told from its markup alone.
 *
 * @returns undefined where nothing does, as far as the markup tells; the words for it otherwise
 */
export function drawingCost(svg: string): string | undefined {
  let elements: readonly ElementNode[];
  let root: ElementNode;
  try {
    ({ elements, root } = parseHtml(svg));
  } catch (error) {
    if (error instanceof PageTooLargeError) return 'too many elements, or too deep a nesting';
    throw error;
  }
  let primitives = 0;
  const byId = new Map<string, ElementNode>();
  for (const element of elements) {
    if (element.id && !byId.has(element.id)) byId.set(element.id, element);
    if (/^fe[a-z]/i.test(element.name) && ++primitives > DRAWING_BOUNDS.primitives) {
      return `more than ${DRAWING_BOUNDS.primitives} filter steps`;
    }
    const cost = costOfPrimitive(element);
    if (cost) return cost;
  }
  return drawnElements(root, byId) > DRAWING_BOUNDS.drawn
    ? `more than ${DRAWING_BOUNDS.drawn.toLocaleString('en')} elements once each use is put in its place`
    : undefined;
}
