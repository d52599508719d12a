import type { Compound } from './types.js';
import { once } from '../../memo/once.js';
import type { ElementNode, PageTree } from '../../tree/tree.js';

/** The elements of a page by id, class and tag, in document order. */
interface ElementIndex {
  readonly byId: ReadonlyMap<string, readonly ElementNode[]>;
  readonly byClass: ReadonlyMap<string, readonly ElementNode[]>;
  readonly byTag: ReadonlyMap<string, readonly ElementNode[]>;
}

const NONE: readonly ElementNode[] = [];

const indexOf = once((tree: PageTree): ElementIndex => {
  const [byId, byClass, byTag] = [0, 1, 2].map(() => new Map<string, ElementNode[]>()) as [
    Map<string, ElementNode[]>,
    Map<string, ElementNode[]>,
    Map<string, ElementNode[]>,
  ];
  const put = (map: Map<string, ElementNode[]>, key: string, element: ElementNode) => {
    const list = map.get(key);
    if (list) list.push(element);
    else map.set(key, [element]);
  };
  for (const element of tree.elements) {
    if (element.id !== undefined) put(byId, element.id, element);
    for (const name of new Set(element.classes)) put(byClass, name, element);
    put(byTag, element.name.toLowerCase(), element);
  }
  return { byId, byClass, byTag };
});

/** The element with an id; of several the first, as fragments find it. */
export const withId = (tree: PageTree, id: string): ElementNode | undefined => indexOf(tree).byId.get(id)?.[0];

/** Elements that a compound may match, in document order: all of the page where nothing in it is telling. */
export function mayMatch(tree: PageTree, compound: Compound): readonly ElementNode[] {
  const index = indexOf(tree);
  // In quirks mode ids and classes match without regard to case.
  if (!tree.quirks && compound.id !== undefined) return index.byId.get(compound.id) ?? NONE;
  const [name] = compound.classes;
  if (!tree.quirks && name !== undefined) return index.byClass.get(name) ?? NONE;
  if (compound.tag !== undefined) return index.byTag.get(compound.tag) ?? NONE;
  return tree.elements;
}
