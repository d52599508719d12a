import { behavioursOf } from './behaviours/index.js';
import { ident, string as stringCodec } from 'css-tree';
import { InvalidSelectorError } from '../css/selector/match.js';
import { compareSpecificity } from '../css/selector/specificity.js';
import { stripStates } from '../css/selector/strip-states.js';
import type { PageStyles } from '../css/cascade/page-styles.js';
import { isReached, locatorFor, selectAll } from '../css/selector/locator.js';
import { once } from '../memo/once.js';
import { pathSelector } from '../tree/path.js';
import { ancestors, type ElementNode, type PageTree } from '../tree/tree.js';
import type { Kind } from './kind.js';
import { BUTTON, BUTTON_SIGNS } from './kinds/button.js';
import { LINK_SIGNS } from './kinds/link.js';
import { SIGNS, signsOf } from './kinds/signs.js';
import { isStateClass } from './carriers.js';
import { namingAttributes, selectorWithin, statelessCompound } from './fitting.js';
import type { FoundComponent } from './found.js';
import { heldBy } from './held.js';
import { fromRoot } from './parts-of-root.js';
import { lookOf } from './look-of.js';
import { nameFor, numbered } from './names.js';
import { REGIONS, regionOf } from './region.js';

const LOOKS = new Set(['color', 'background-color', 'background-image', 'border-top-color', 'border-bottom-color']);
const CERTAIN_ENOUGH = 0.5;

/** The kind that an element is the root of, where it is that of any. */
export function bestKind(element: ElementNode, styles: PageStyles): Kind | undefined {
  let best: { kind: Kind; score: number } | undefined;
  const page = styles.at();
  for (const { kind, recognise } of SIGNS) {
    const score = recognise(element, page);
    if (score >= CERTAIN_ENOUGH && (!best || score > best.score)) best = { kind, score };
  }
  return best?.kind;
}

/** Buttons and links of a page, those within other components too, with the name of their kind. */
export function findTargets(styles: PageStyles): Map<ElementNode, string> {
  const targets = new Map<ElementNode, string>();
  for (const element of styles.tree.elements) {
    for (const { kind, recognise } of [BUTTON_SIGNS, LINK_SIGNS]) {
      if (recognise(element, styles.at()) < CERTAIN_ENOUGH) continue;
      targets.set(element, kind.name);
      break;
    }
  }
  return targets;
}

/** The site's own selectors that style an element, without their states, the most particular first. */
export function siteSelectors(element: ElementNode, styles: PageStyles): string[] {
  const texts = styles
    .possibleEntries(element)
    .filter((entry) => entry.origin === 'author' && !entry.selector.pseudoElement && !entry.selector.text.includes('&'))
    .sort((a, b) => compareSpecificity(b.selector.specificity, a.selector.specificity))
    .flatMap((entry) => stripStates(entry.selector.text) ?? []);
  return [...new Set(texts)];
}

/** A selector that an owner would write: names and where they stand, without conditions on siblings and places. */
const isPlain = (selector: string): boolean => !/[:+~]/.test(selector);

/** The site's own selector that styles an element most particularly, without its states; a plain one where there is any. */
function siteSelector(element: ElementNode, styles: PageStyles): string | undefined {
  const entries = styles
    .possibleEntries(element)
    .filter((entry) => entry.origin === 'author' && !entry.selector.pseudoElement)
    .filter((entry) => entry.rule.declarations.some((declaration) => LOOKS.has(declaration.property)))
    .sort((a, b) => compareSpecificity(b.selector.specificity, a.selector.specificity) || b.order - a.order);
  const selectors = entries.flatMap((entry) => {
    // Text with & only means something inside its parent rule.
    const stripped = entry.selector.text.includes('&') ? undefined : stripStates(entry.selector.text);
    if (!stripped || stripped === '*' || stripped.endsWith(' *') || stripped.length > LONGEST_SELECTOR) return [];
    return [stripped];
  });
  for (const selector of [...selectors.filter(isPlain), ...selectors]) {
    try {
      if (isReached(styles.tree, selector, element)) return selector;
    } catch (error) {
      if (!(error instanceof InvalidSelectorError)) throw error;
    }
  }
  return undefined;
}

export const ownCompound = (element: ElementNode): string =>
  element.name + element.classes.map((name) => `.${ident.encode(name)}`).join('');

/** Simple selectors that name an ancestor, the nearest first. */
function* contexts(element: ElementNode): Generator<string> {
  for (const node of ancestors(element)) {
    if (node.id) yield `#${ident.encode(node.id)}`;
    for (const name of node.classes) yield `.${ident.encode(name)}`;
    if (REGIONS[node.name]) yield node.name;
  }
}

const sameSet = (a: readonly ElementNode[], b: readonly ElementNode[]): boolean =>
  a.length === b.length && a.every((element, i) => element === b[i]);

/** In characters; what is longer nobody reads, and no component is kept under it. */
const LONGEST_SELECTOR = 1000;
const MAX_EXCLUDED = 3;
/** Elements of one place that nothing tells apart are listed one by one up to this many; past it nobody reads them. */
const MAX_ONE_BY_ONE = 100;

interface Group {
  readonly kind: Kind;
  readonly base: string;
  readonly elements: ElementNode[];
}

/** Classes of an element that are tried two by two. */
const MOST_PAIRED = 6;

/** Selectors that an element offers by itself, the most lasting first: a class that the sheets know, its id, its label. */
export function* ownSelectors(element: ElementNode, known: ReadonlySet<string>): Generator<string> {
  if (element.name === 'html' || element.name === 'body') yield element.name;
  const classes = [...element.classes].sort((a, b) => Number(known.has(b)) - Number(known.has(a)));
  const names = classes.map((name) => `.${ident.encode(name)}`);
  yield* names;
  for (const [i, one] of names.slice(0, MOST_PAIRED).entries())
    for (const other of names.slice(i + 1, MOST_PAIRED)) yield one + other;
  if (element.id) yield `#${ident.encode(element.id)}`;
  const label = element.attributes.get('aria-label');
  if (label) yield `${element.name}[aria-label=${stringCodec.encode(label)}]`;
  const role = element.attributes.get('role');
  if (role) yield `[role=${stringCodec.encode(role)}]`;
  for (const name of classes) yield `${element.name}.${ident.encode(name)}`;
  yield element.name;
  for (const context of contexts(element)) yield `${context} ${element.name}`;
}

/** Classes that the site's own selectors name. */
export const knownClasses = once((styles: PageStyles): ReadonlySet<string> => {
  const own = styles.index.sheets.filter(({ origin }) => origin === 'author');
  return new Set(own.flatMap(({ sheet }) => sheet.written.flatMap(({ head }) => head.classNames)));
});

/** True for two that stand in one row: beside each other, or in cells that do. */
export const isMate = (a: ElementNode, b: ElementNode): boolean =>
  a.name === b.name &&
  [a, b].every((one) => one.parent !== undefined) &&
  above(a).some((node, i) => node === above(b)[i]);

/** The nearest ancestors, as far up as a cell and its row stand over what is in them. */
const above = (element: ElementNode): ElementNode[] => [...ancestors(element)].slice(0, 3);

/** A selector that is no more than an element's name, with what tells the pages of its kind from the others. */
function toldApart(selector: string, root: ElementNode, toldBy: readonly string[], tree: PageTree): string {
  if (selector !== root.name) return selector;
  const told = toldBy.find((text) => isReached(tree, selector + text, root));
  return told === undefined ? selector : selector + told;
}

/** A selector for just the elements of one row: what stands in its holder, where that is all, or each by what it is called. */
function rowSelector(row: readonly ElementNode[], tree: PageTree): string {
  const [first] = row;
  const named = row.every(({ name }) => name === first!.name) ? first!.name : '*';
  for (const context of contexts(first!)) {
    const selector = `${context} > ${named}`;
    if (sameSet(selectAll(tree, selector), row)) return selector;
  }
  return selectorWithin(tree, 'body', row);
}

/**
 * Puts the roots of one kind together that one lasting selector reaches, and no other element.
 *
 * @param options.apart each by itself, as sections of a page are
 */
export function rootGroups(
  kind: Kind,
  roots: readonly ElementNode[],
  styles: PageStyles,
  options: { readonly apart?: boolean } = {},
): Group[] {
  const { tree } = styles;
  const known = knownClasses(styles);
  const left = new Set(roots);
  const groups: Group[] = [];
  for (const root of roots) {
    if (!left.has(root)) continue;
    let base = pathSelector(root);
    let elements = [root];
    const signs = signsOf(kind);
    const row = signs?.rowOf?.(root, styles.at());
    for (const own of ownSelectors(root, known)) {
      const selector = toldApart(own, root, signs?.toldBy ?? [], tree);
      const reached = selectAll(tree, selector);
      if (!reached.every((element) => left.has(element)) || (options.apart && reached.length > 1)) continue;
      const isFirst = base === pathSelector(root);
      if (isFirst || reached.length > elements.length) [base, elements] = [selector, reached];
      if (!row) break;
      // Of what comes in rows just these, or else as many of its like as a class has.
      if (reached.length === row.length && row.every((element) => reached.includes(element))) {
        [base, elements] = [selector, reached];
        break;
      }
      if (!selector.startsWith('.')) break;
    }
    if (elements.length === 1 && base === pathSelector(root) && !options.apart) {
      // Its like in the same row are one with it, though nothing of the site's own tells them from all others.
      const mates = [...left].filter((other) => isMate(other, root));
      if (mates.length > 1) [base, elements] = [selectorWithin(tree, 'body', mates), mates];
    }
    if (row && row.length > elements.length && elements.every((element) => row.includes(element))) {
      // What stands in one row and is of one shape is one thing, though one of them is called something else.
      if (row.every((element) => left.has(element))) [base, elements] = [rowSelector(row, tree), [...row]];
    }
    for (const element of elements) left.delete(element);
    groups.push({ kind, base, elements });
  }
  return groups;
}

/** Selectors as near to the site's own as possible, the plainest first. */
function* candidates(first: ElementNode, base: string): Generator<string> {
  const parent = first.parent?.name;
  const names = first.classes.filter((name) => !isStateClass(name)).map((name) => `.${ident.encode(name)}`);
  const pairs = names.flatMap((one, i) => names.slice(i + 1).map((other) => one + other));
  const cores = [base, ...names, ...pairs, ownCompound(first)];
  yield* cores;
  for (const core of cores) {
    for (const context of contexts(first)) yield `${context} ${core}`;
    if (!parent) continue;
    for (const context of contexts(first)) if (context !== parent) yield `${context} ${parent} > ${core}`;
  }
}

/** Selectors that are tried for one group. */
const MOST_TRIED = 60;

/** A selector that reaches a group and nothing else; undefined when none is plain enough to be read. */
export function fittingSelector(group: readonly ElementNode[], base: string, tree: PageTree): string | undefined {
  const tried = new Set<string>();
  const fits = (selector: string) => sameSet(selectAll(tree, selector), group);
  for (const selector of candidates(group[0]!, base)) {
    if (tried.has(selector)) continue;
    if (tried.size >= MOST_TRIED) break;
    tried.add(selector);
    if (fits(selector)) return selector;
  }
  const own = statelessCompound(group[0]!);
  return namingAttributes(group[0]!)
    .map((attribute) => own + attribute)
    .find(fits);
}

/** The site's selector without what its other, more particular selectors reach; no weight is added. */
function excludingOthers(group: Group, all: Iterable<Group>, tree: PageTree): string | undefined {
  const own = new Set(group.elements);
  const extra = new Set(selectAll(tree, group.base).filter((element) => !own.has(element)));
  const others: string[] = [];
  for (const other of all) {
    if (other === group || !other.elements.some((element) => extra.has(element))) continue;
    others.push(other.base);
    for (const element of other.elements) extra.delete(element);
  }
  if (extra.size || !others.length || others.length > MAX_EXCLUDED) return undefined;
  const selector = `${group.base}:not(:where(${others.join(', ')}))`;
  return sameSet(selectAll(tree, selector), group.elements) ? selector : undefined;
}

/** The same without elements that other selectors do not tell apart, by what those are called themselves. */
function excludingCompounds({ base, elements }: Group, tree: PageTree): string | undefined {
  const own = new Set(elements);
  const extra = new Set(selectAll(tree, base).flatMap((element) => (own.has(element) ? [] : [ownCompound(element)])));
  if (!extra.size || extra.size > MAX_EXCLUDED) return undefined;
  const selector = `${base}:not(:where(${[...extra].join(', ')}))`;
  return sameSet(selectAll(tree, selector), elements) ? selector : undefined;
}

/** The nearest ancestor that tells groups of the same selector apart: a landmark, or one with a name of its own. */
function neighbourhood(element: ElementNode): ElementNode | undefined {
  for (const node of ancestors(element)) if (REGIONS[node.name] || node.name === 'section') return node;
  return undefined;
}

/** Roots of a kind, those together that are alike. */
function alikeOf(kind: Kind, roots: readonly ElementNode[]): readonly (readonly ElementNode[])[] {
  const sort = signsOf(kind)?.sort;
  if (!sort) return [roots];
  const groups = new Map<string, ElementNode[]>();
  for (const root of roots) groups.set(sort(root), [...(groups.get(sort(root)) ?? []), root]);
  return [...groups.values()];
}

/** Roots of composite components but for those that stand in others and are theirs: a list of links in a menu. */
function withoutNested(
  composites: ReadonlyMap<Kind, readonly ElementNode[]>,
  tree: PageTree,
): ReadonlyMap<Kind, readonly ElementNode[]> {
  const kindAt = new Map([...composites].flatMap(([kind, roots]) => roots.map((root) => [root, kind] as const)));
  const isOwn = (root: ElementNode, kind: Kind): boolean => {
    const holder = [...ancestors(root)].find((node) => kindAt.get(node)?.claims);
    // What a script of ours sets going is what it was made to be, wherever it was put.
    if (!holder || kind.anywhere || behavioursOf(root).length) return true;
    const outer = kindAt.get(holder)!;
    if (outer.mayHold?.includes(kind.name)) return true;
    return outer.outside !== undefined && !heldBy(tree, outer, pathSelector(holder)).has(root);
  };
  return new Map([...composites].map(([kind, roots]) => [kind, roots.filter((root) => isOwn(root, kind))]));
}

/**
 * Finds the components of a page. What is made of parts is found first; buttons and links that are not parts of it are
 * grouped as the site's own sheets do, and as they look.
 */
export function findComponents(styles: PageStyles): FoundComponent[] {
  const { tree } = styles;
  const composites = new Map<Kind, ElementNode[]>();
  const singles: { kind: Kind; element: ElementNode }[] = [];
  for (const element of tree.elements) {
    const kind = bestKind(element, styles);
    if (!kind) continue;
    if (kind.single) singles.push({ kind, element });
    else composites.set(kind, [...(composites.get(kind) ?? []), element]);
  }
  const whole = [...withoutNested(composites, tree)].flatMap(([kind, roots]) =>
    alikeOf(kind, roots).flatMap((alike) => rootGroups(kind, alike, styles)),
  );
  const claimed = new Set<ElementNode>();
  for (const { kind, base } of whole)
    if (kind.claims) for (const element of heldBy(tree, kind, base)) claimed.add(element);
  const groups = new Map<string, Group>();
  for (const { kind, element } of singles) {
    const base = siteSelector(element, styles) ?? ownCompound(element);
    const key = `${kind.name}\u0000${base}\u0000${lookOf(element, styles, kind === BUTTON)}`;
    const group = groups.get(key);
    if (group) group.elements.push(element);
    else groups.set(key, { kind, base, elements: [element] });
  }
  const isTaken = (elements: readonly ElementNode[]) => elements.every((element) => claimed.has(element));
  for (const [key, group] of groups) if (isTaken(group.elements)) groups.delete(key);
  const found: FoundComponent[] = [];
  const add = (kind: Kind, selector: string, elements: readonly ElementNode[]) => {
    if (isTaken(elements) && kind.single) return;
    const first = elements[0]!;
    found.push({
      kind: kind.name,
      name: nameFor(first, kind, elements.length),
      selector,
      locator: locatorFor(first, selector),
      elements: elements.map((element) => element.order),
      ...outsideOf(kind, selector, tree),
      reach: selectAll(tree, selector).length,
      region: regionOf(first),
    });
  };
  for (const { kind, base, elements } of whole) add(kind, base, elements);
  for (const group of groups.values()) {
    const { kind, base, elements } = group;
    // Those that belong to nothing else, where they can be told from those that do.
    const free = elements.filter((element) => !claimed.has(element));
    const isExact = /[.#[]/.test(base) && sameSet(selectAll(tree, base), elements);
    const selector =
      (isExact ? base : undefined) ??
      (free.length < elements.length ? fittingSelector(free, base, tree) : undefined) ??
      fittingSelector(elements, base, tree) ??
      excludingOthers(group, groups.values(), tree) ??
      excludingCompounds(group, tree);
    if (selector !== undefined) {
      add(kind, selector, selectAll(tree, selector));
      continue;
    }
    // A selector as broad as `a` is narrowed place by place, and in the last resort to each element's own place.
    const places = new Map<ElementNode | undefined, ElementNode[]>();
    for (const element of free) {
      const place = neighbourhood(element);
      places.set(place, [...(places.get(place) ?? []), element]);
    }
    for (const part of places.values()) {
      const narrow = fittingSelector(part, base, tree);
      if (narrow !== undefined) add(kind, narrow, part);
      else if (part.length > 1)
        add(kind, selectorWithin(tree, 'body', part.slice(0, MAX_ONE_BY_ONE)), part.slice(0, MAX_ONE_BY_ONE));
      else
        for (const element of part)
          add(kind, fittingSelector([element], base, tree) ?? pathSelector(element), [element]);
    }
  }
  return numbered(found.sort((a, b) => a.elements[0]! - b.elements[0]!));
}

function outsideOf(kind: Kind, selector: string, tree: PageTree): Pick<FoundComponent, 'outside'> {
  const outside = (kind.outside ?? []).flatMap((text) => selectAll(tree, fromRoot(text, selector)));
  return outside.length ? { outside: outside.map(({ order }) => order) } : {};
}
