import { once } from '../memo/once.js';
import { type Box } from './box.js';
import { InvalidSelectorError } from '../css/selector/match.js';
import { selectAll } from '../css/selector/locator.js';
import { pathSelector } from '../tree/path.js';
import type { ElementNode, PageTree } from '../tree/tree.js';

/** Where one element stands, in CSS pixels from the top left of the page, as a browser laid it out. */
export interface ElementGeometry {
  /** Border box. */
  readonly box: Box;
  /** Boxes of the lines of the element's own text. */
  readonly lines: readonly Box[];
  readonly before?: Box | undefined;
  readonly after?: Box | undefined;
}

/** Pseudo-elements that stand in a place of their own. */
export const PLACED_PSEUDOS = ['before', 'after'] as const;
export type PlacedPseudo = (typeof PLACED_PSEUDOS)[number];
export const isPlacedPseudo = (pseudo: string | undefined): pseudo is PlacedPseudo =>
  pseudo === 'before' || pseudo === 'after';

/** The box of an element or of a pseudo-element with a place of its own; undefined where it was not measured. */
export const measuredBox = ({ elements }: Geometry, element: ElementNode, pseudo?: string): Box | undefined => {
  const measured = elements.get(element.order);
  return isPlacedPseudo(pseudo) ? measured?.[pseudo] : measured?.box;
};

/** A page as it was measured at one viewport. */
export interface Geometry {
  readonly width: number;
  readonly height: number;
  /** By the elements' places in the document; what has no box is left out. */
  readonly elements: ReadonlyMap<number, ElementGeometry>;
}

/** Whether two measurements of a page found the same. */
export const isSameGeometry = (a: Geometry, b: Geometry): boolean =>
  a.width === b.width &&
  a.height === b.height &&
  a.elements.size === b.elements.size &&
  [...a.elements].every(([order, own]) => JSON.stringify(own) === JSON.stringify(b.elements.get(order)));

/** How far down a page goes, in CSS pixels. */
const pageBottom = once((geometry: Geometry): number => {
  let bottom = 0;
  for (const { box } of geometry.elements.values()) bottom = Math.max(bottom, box.y + box.height);
  return bottom;
});

/** Whether a page is longer than its window, by more than what rounding adds. */
export const scrolls = (geometry: Geometry): boolean => pageBottom(geometry) > geometry.height + 2;

type Numbers = readonly [number, number, number, number];

/** The same as it is stored: boxes as left, top, width, height; elements by a selector that reaches each alone. */
export interface StoredGeometry {
  readonly viewport: { readonly width: number; readonly height: number };
  readonly elements: Readonly<
    Record<
      string,
      {
        readonly box: Numbers;
        readonly lines?: readonly Numbers[] | undefined;
        readonly before?: Numbers | undefined;
        readonly after?: Numbers | undefined;
      }
    >
  >;
}

export class BadGeometryError extends Error {
  override readonly name = 'BadGeometryError';
}

const boxOf = ([x, y, width, height]: Numbers): Box => ({ x, y, width, height });
const round = (value: number) => Math.round(value * 100) / 100;
const numbersOf = ({ x, y, width, height }: Box): Numbers => [round(x), round(y), round(width), round(height)];

const isNumbers = (value: unknown): value is Numbers =>
  Array.isArray(value) &&
  value.length === 4 &&
  value.every((item) => typeof item === 'number' && Number.isFinite(item));

/**
 * Reads stored geometry for a page.
 *
 * @throws BadGeometryError that names what is wrong; elements that the page does not have are passed over
 */
export function readGeometry(stored: unknown, tree: PageTree): Geometry {
  const data = stored as StoredGeometry | null;
  const viewport = data?.viewport;
  if (!viewport || !(viewport.width > 0) || !(viewport.height > 0)) {
    throw new BadGeometryError('It needs a "viewport" with a "width" and a "height" above 0.');
  }
  if (typeof data.elements !== 'object' || data.elements === null) {
    throw new BadGeometryError('It needs "elements": an object of selectors with their boxes.');
  }
  const paths = pathsOf(tree);
  const elements = new Map<number, ElementGeometry>();
  for (const [selector, entry] of Object.entries(data.elements)) {
    const rest = [
      ...(entry.lines ?? []),
      ...(entry.before ? [entry.before] : []),
      ...(entry.after ? [entry.after] : []),
    ];
    if (!isNumbers(entry.box) || !rest.every(isNumbers)) {
      throw new BadGeometryError(`"${selector}" needs boxes of four numbers: left, top, width and height.`);
    }
    const order = paths.get(selector) ?? reached(tree, selector);
    if (order === undefined) continue;
    elements.set(order, {
      box: boxOf(entry.box),
      lines: (entry.lines ?? []).map(boxOf),
      before: entry.before && boxOf(entry.before),
      after: entry.after && boxOf(entry.after),
    });
  }
  return { ...viewport, elements };
}

const known = new WeakMap<PageTree, ReadonlyMap<string, number>>();
function pathsOf(tree: PageTree): ReadonlyMap<string, number> {
  let paths = known.get(tree);
  if (!paths)
    known.set(tree, (paths = new Map(tree.elements.map((element) => [pathSelector(element), element.order]))));
  return paths;
}

function reached(tree: PageTree, selector: string): number | undefined {
  try {
    return selectAll(tree, selector)[0]?.order;
  } catch (error) {
    if (error instanceof InvalidSelectorError) throw new BadGeometryError(`"${selector}" is no selector.`);
    throw error;
  }
}

/** Geometry as it is stored, to the hundredth of a pixel. */
export function storeGeometry({ width, height, elements }: Geometry, tree: PageTree): StoredGeometry {
  return {
    viewport: { width, height },
    elements: Object.fromEntries(
      [...elements].flatMap(([order, { box, lines, before, after }]) => {
        const element = tree.elements[order];
        if (!element) return [];
        return [
          [
            pathSelector(element),
            {
              box: numbersOf(box),
              ...(lines.length ? { lines: lines.map(numbersOf) } : {}),
              ...(before ? { before: numbersOf(before) } : {}),
              ...(after ? { after: numbersOf(after) } : {}),
            },
          ] as const,
        ];
      }),
    ),
  };
}

/** One element as a browser measured it; boxes as left, top, width, height. */
export interface MeasuredElement {
  readonly order: number;
  readonly box: Numbers;
  readonly lines: readonly Numbers[];
  readonly before?: Numbers | undefined;
  readonly after?: Numbers | undefined;
}

/** Geometry from what a browser measured at a viewport. */
export const geometryOf = (
  size: { readonly width: number; readonly height: number },
  measured: readonly MeasuredElement[],
): Geometry => ({
  width: size.width,
  height: size.height,
  elements: new Map(
    measured.map(({ order, box, lines, before, after }) => [
      order,
      {
        box: boxOf(box),
        lines: lines.map(boxOf),
        before: before && boxOf(before),
        after: after && boxOf(after),
      },
    ]),
  ),
});
