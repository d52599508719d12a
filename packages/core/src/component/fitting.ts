import { ident, string as stringCodec } from 'css-tree';
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

/** Attributes that stay with an element and tell it from its like; none that says in which state it is. */
const NAMING = ['href', 'name', 'value', 'for', 'type', 'role', 'aria-label', 'aria-controls', 'src'];
/** In characters; nobody reads a longer value in a selector. */
const LONGEST_VALUE = 120;

/** What an element is told by where neither class nor id does it. */
export const namingAttributes = ({ attributes }: ElementNode): string[] =>
  NAMING.flatMap((name) => {
    const value = attributes.get(name);
    // An address that leads nowhere is a placeholder, which scripts and owners change.
    const isEmpty = !value || /^(#$|javascript:)/.test(value);
    return isEmpty || value.length > LONGEST_VALUE ? [] : [`[${name}=${stringCodec.encode(value)}]`];
  });

/** Names of an element's own, those that outlive changes of the page first. */
export function* ownNames(element: ElementNode): Generator<string> {
  if (element.id) yield `#${ident.encode(element.id)}`;
  for (const name of element.classes) if (!isStateClass(name)) yield `.${ident.encode(name)}`;
  yield* namingAttributes(element);
}

/**
 * Selectors that reach elements and none of some others: a name that only they have, one by one where no name is common
 * to them, and their places in the last resort.
 */
export function tellingApart(chosen: readonly ElementNode[], others: readonly ElementNode[]): string[] {
  const foreign = new Set(others.flatMap((element) => [...ownNames(element)]));
  const names = new Map(
    chosen.map((element) => [element, [...ownNames(element)].filter((name) => !foreign.has(name))]),
  );
  const left = new Set(chosen);
  const selectors: string[] = [];
  const count = (name: string) => [...left].filter((element) => names.get(element)!.includes(name)).length;
  for (const element of chosen) {
    if (!left.has(element)) continue;
    const own = names.get(element)!;
    // Of the names that it has, the one that most of the others have too.
    const best = own.length ? own.reduce((most, name) => (count(name) > count(most) ? name : most)) : undefined;
    selectors.push(best ?? pathSelector(element));
    for (const one of [...left]) if (one === element || (best && names.get(one)!.includes(best))) left.delete(one);
  }
  return selectors;
}

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
  for (const attribute of namingAttributes(element)) yield own + attribute;
  for (const attribute of namingAttributes(parent)) yield `${statelessCompound(parent)}${attribute} > ${own}`;
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
