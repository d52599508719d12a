import { locatorFor, selectAll } from '../css/selector/locator.js';
import type { PageStyles } from '../css/cascade/page-styles.js';
import { pathSelector } from '../tree/path.js';
import { readableText, selfAndAncestors, type ElementNode, type PageTree } from '../tree/tree.js';
import { bestKind, fittingSelector, knownClasses, ownCompound, ownSelectors } from './find.js';
import type { FoundComponent } from './found.js';
import { BLOCK } from './kinds/block.js';
import { SECTION } from './kinds/section.js';
import { regionOf } from './region.js';
import { headingText } from './signs.js';
import { statelessCompound } from './fitting.js';
import { shortened } from './names.js';
import type { Kind } from './kind.js';

/** Something that can be taken where somebody points. */
export interface Proposal extends FoundComponent {
  /** A component that was found there, the element itself, or what holds it. */
  readonly as: 'component' | 'element' | 'holder';
  /** The element as it is called in the page's HTML. */
  readonly tag: string;
}

/** Elements around the one that is pointed at which are proposed. */
const MAX_AROUND = 6;

/** An element as HTML calls it: name, id and classes. */
export const calledAs = ({ name, classes, id }: ElementNode): string =>
  name + (id ? `#${id}` : '') + classes.map((own) => `.${own}`).join('');

const isAlike = (a: ElementNode, b: ElementNode): boolean => statelessCompound(a) === statelessCompound(b);

/** What an owner would write for an element and its like; by its place where nothing else tells it. */
function selectorOf(element: ElementNode, tree: PageTree, known: ReadonlySet<string>): string {
  for (const selector of ownSelectors(element, known)) {
    const reached = selectAll(tree, selector);
    if (reached.includes(element) && reached.every((other) => isAlike(other, element))) return selector;
  }
  return pathSelector(element);
}

/** What reaches an element alone: its name within what holds it, or its place. */
function aloneSelector(element: ElementNode, tree: PageTree): string {
  return fittingSelector([element], ownCompound(element), tree) ?? pathSelector(element);
}

function nameOf(element: ElementNode, kind: Kind): string {
  const words = element.attributes.get('aria-label') ?? headingText(element) ?? readableText(element);
  return shortened(words.trim() || kind.label);
}

/**
 * What can be taken at an element: the components around it, the nearest first, and then the element and what holds it,
 * each as what it would be.
 *
 * @param found the components of the page
 */
export function proposalsAt(
  styles: PageStyles,
  element: ElementNode,
  found: readonly FoundComponent[],
): readonly Proposal[] {
  const { tree } = styles;
  const path = [...selfAndAncestors(element)].filter(({ name }) => name !== 'html');
  const depth = new Map(path.map((node, i) => [node.order, i]));
  const nearest = ({ elements, outside = [] }: FoundComponent) =>
    outside.some((order) => depth.has(order))
      ? Infinity
      : Math.min(...elements.map((order) => depth.get(order) ?? Infinity));
  const around = found
    .filter((item) => item.kind !== SECTION.name && nearest(item) < Infinity)
    .sort((a, b) => nearest(a) - nearest(b));
  const proposals = around.map((item): Proposal => ({
    ...item,
    as: 'component',
    tag: calledAs(path[nearest(item)]!),
  }));
  const known = knownClasses(styles);
  const taken = new Set(around.map(nearest));
  const propose = (node: ElementNode, selector: string) => {
    const kind = bestKind(node, styles) ?? BLOCK;
    const elements = selectAll(tree, selector);
    proposals.push({
      kind: kind.name,
      name: nameOf(node, kind),
      selector,
      locator: locatorFor(node, selector),
      elements: elements.map(({ order }) => order),
      reach: elements.length,
      region: regionOf(node),
      as: node === element ? 'element' : 'holder',
      tag: calledAs(node),
    });
  };
  for (const [i, node] of path.slice(0, MAX_AROUND).entries()) {
    if (taken.has(i) || (node.name === 'body' && i > 0)) continue;
    const selector = selectorOf(node, tree, known);
    propose(node, selector);
    // What is pointed at can be taken without its like.
    if (i === 0 && selectAll(tree, selector).length > 1) propose(node, aloneSelector(node, tree));
  }
  return proposals;
}
