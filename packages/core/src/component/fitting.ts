import { ident } from 'css-tree';
import { reachedBy } from '../css/selector/locator.js';
import type { ElementNode, PageTree } from '../tree/tree.js';
import { pathSelector } from '../tree/path.js';
import { isStateClass } from './carriers.js';
import { fromRoot } from './parts-of-root.js';

/** What an element is called, without what says in which state it is. */
export const statelessCompound = ({ name, classes }: ElementNode): string =>
  name +
  classes
    .filter((own) => !isStateClass(own))
    .map((own) => `.${ident.encode(own)}`)
    .join('');

/** Ways of naming an element from its component, the plainest first. */
function* waysTo(element: ElementNode): Generator<string> {
  const own = statelessCompound(element);
  if (element.classes.length)
    for (const name of element.classes) if (!isStateClass(name)) yield `.${ident.encode(name)}`;
  yield element.name;
  yield own;
  if (element.id) yield `#${ident.encode(element.id)}`;
  const { parent } = element;
  if (!parent) return;
  yield `${statelessCompound(parent)} > ${own}`;
  const grand = parent.parent;
  if (grand) yield `${statelessCompound(grand)} > ${statelessCompound(parent)} > ${own}`;
}

/**
 * A selector for some of what a component holds, and for nothing else in it: what tells them apart is found by what they
 * are called, and by their places in the last resort.
 *
 * @param root the component's own selector
 */
export function selectorWithin(tree: PageTree, root: string, chosen: readonly ElementNode[]): string {
  const wanted = new Set(chosen);
  const left = new Set(chosen);
  const known = new Map<string, readonly ElementNode[] | undefined>();
  /** What a way reaches, where all of it is wanted. */
  const reach = (way: string) => {
    if (!known.has(way)) {
      const reached = reachedBy(tree, fromRoot(`:scope ${way}`, root));
      known.set(way, reached.length && reached.every((element) => wanted.has(element)) ? reached : undefined);
    }
    return known.get(way);
  };
  const ways: string[] = [];
  const places: string[] = [];
  const roots = reachedBy(tree, root);
  if (roots.every((element) => wanted.has(element))) {
    places.push(root);
    for (const element of roots) left.delete(element);
  }
  for (const element of chosen) {
    if (!left.has(element)) continue;
    let found = false;
    for (const way of waysTo(element)) {
      const reached = reach(way);
      if (!reached?.includes(element)) continue;
      for (const one of reached) left.delete(one);
      ways.push(way);
      found = true;
      break;
    }
    if (!found) {
      places.push(pathSelector(element));
      left.delete(element);
    }
  }
  const inside = ways.length ? [`:scope ${ways.length > 1 ? `:is(${ways.join(', ')})` : ways[0]!}`] : [];
  const all = [...places, ...inside.map((text) => fromRoot(text, root))];
  return all.length > 1 ? `:is(${all.join(', ')})` : all[0]!;
}
