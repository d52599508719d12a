import { once } from '../memo/once.js';
import { ancestors, type ElementNode } from '../tree/tree.js';
import type { PageMeasures } from '../parts/page-measures.js';
import type { PlacedComponent } from '../parts/placed-component.js';

/** What of a page a component is: as far as looks of others can have a say in it. */
interface Extent {
  readonly roots: ReadonlySet<ElementNode>;
  /** What stands around its roots, which they inherit from and are seen on. */
  readonly around: ReadonlySet<ElementNode>;
  /** Elements and pseudo-elements that its parts are. */
  readonly parts: ReadonlySet<string>;
}

const extentOf = once(({ located, parts }: PlacedComponent): Extent => {
  const roots = new Set(located.elements);
  return {
    roots,
    around: new Set(located.elements.flatMap((root) => [...ancestors(root)])),
    parts: new Set(parts.flatMap(({ elements, part }) => elements.map((element) => subjectKey(element, part.pseudo)))),
  };
});

/** One element, or one of its pseudo-elements, as text. */
export const subjectKey = (element: ElementNode, pseudo: string | undefined): string =>
  `${element.order}${pseudo === undefined ? '' : `::${pseudo}`}`;

/** Whether a look says something about what a component is made of or stands in. */
export function reachesInto(look: PlacedComponent, component: PlacedComponent): boolean {
  const { roots, around } = extentOf(component);
  const isIn = (element: ElementNode): boolean => {
    if (around.has(element) || roots.has(element)) return true;
    for (const node of ancestors(element)) if (roots.has(node)) return true;
    return false;
  };
  return look.parts.some(({ elements }) => elements.some(isIn));
}

/** Whether a look is about anything that stood where a component stands: it may lie behind it without being around it. */
export function standsBehind(look: PlacedComponent, component: PlacedComponent, measures: PageMeasures): boolean {
  const painted = look.parts.flatMap(({ elements }) => elements.map(({ order }) => order));
  return measures.haveMet(
    painted,
    component.located.elements.map(({ order }) => order),
  );
}

/** Whether parts of two components are the same elements, so that the order of their looks decides. */
export function overlap(one: PlacedComponent, other: PlacedComponent): boolean {
  const [few, many] = [extentOf(one).parts, extentOf(other).parts].sort((a, b) => a.size - b.size);
  for (const key of few!) if (many!.has(key)) return true;
  return false;
}

const depthOf = once((element: ElementNode): number => [...ancestors(element)].length);

/** Order in which looks lie over each other: what reaches wide first, what is contained last. */
export function compareReach(one: PlacedComponent, other: PlacedComponent): number {
  const difference = other.located.elements.length - one.located.elements.length;
  return difference || depthOf(one.element) - depthOf(other.element);
}
