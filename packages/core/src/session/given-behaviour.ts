import { defaultTreeAdapter, parseFragment, serializeOuter, type DefaultTreeAdapterTypes as Dom } from 'parse5';
import { elementOf, markupOf, type Behaviour } from '../component/behaviours/index.js';
import { COUNTING_CSS, NOTICES_CSS, PAUSE_CSS, TICKER_CSS, TURNS_CSS } from '../component/behaviours/css.js';
import { PAUSE, TURNS, TURNS_PAUSE } from '../component/behaviours/markup.js';
import type { FoundPart } from '../component/parts.js';
import { unitNamed } from '../component/time-units.js';
import { sourceOf } from '../page/change.js';
import { descendants, readableText, type ElementNode } from '../tree/tree.js';
import { lookup } from '../base/lookup.js';

/** Markup of a component that a behaviour works on. */
export interface GivenBehaviour {
  readonly html: string;
  /** What stood there before. */
  readonly before: string;
  /** CSS for what the script marks, and for buttons that were added. */
  readonly css: string;
}

/** What a behaviour needs to be told of a component's markup. */
interface Fitting {
  /** Those without a value are taken off. */
  readonly attributes: readonly {
    readonly element: ElementNode;
    readonly name: string;
    readonly value: string | null;
  }[];
  /** Elements that stand among others, and are put into a list of their own. */
  readonly gathered?: readonly ElementNode[];
  /** Markup that is added, and the element that it stands behind; behind the new list where there is none. */
  readonly added?: string;
  readonly beside?: ElementNode;
  readonly css: string;
}

type Parts = (name: string) => readonly ElementNode[];
type Fit = (root: ElementNode, parts: Parts) => Fitting | { readonly problem: string };

const told = (elements: readonly ElementNode[], name: string, value: string | null) =>
  elements.map((element) => ({ element, name, value }));

/** The list in a component, or else its messages, which are to be gathered into one; undefined where there are too few. */
function listIn(
  root: ElementNode,
  items: readonly ElementNode[],
): Pick<Fitting, 'attributes' | 'gathered' | 'beside'> | undefined {
  const lists = [...descendants(root)].filter(({ name }) => name === 'ul' || name === 'ol');
  const list = lists.find(({ children }) => children.filter(({ name }) => name === 'li').length > 1);
  if (list) return { attributes: told([list], 'data-list', ''), beside: list };
  const parents = new Set(items.map(({ parent }) => parent));
  if (items.length < 2 || parents.size > 1) return undefined;
  // What a script of the site's showed one after the other is there without a script, too.
  return { attributes: told(items, 'hidden', null), gathered: items };
}

/** For what works on markup as it is, where there is some of it. */
const needing =
  (isOne: (element: ElementNode) => boolean, what: string): Fit =>
  (root) =>
    [...descendants(root)].some(isOne) ? { attributes: [], css: '' } : { problem: `It needs ${what}.` };

const FITS: Readonly<Record<string, Fit>> = lookup({
  notices(root, parts) {
    const list = listIn(root, parts('message'));
    if (!list) return { problem: 'It needs two messages at least, side by side or as items of one list.' };
    const [previous, next] = parts('arrow');
    const pause = parts('pause');
    const arrows =
      previous && next ? [...told([previous], 'data-do', 'previous'), ...told([next], 'data-do', 'next')] : [];
    const isWhole = arrows.length > 0 && pause.length > 0;
    return {
      ...list,
      attributes: [
        ...list.attributes,
        ...arrows,
        ...told(pause, 'data-do', 'pause'),
        ...told(parts('close'), 'data-do', 'close'),
      ],
      ...(isWhole ? {} : { added: arrows.length ? TURNS_PAUSE : TURNS }),
      ...(arrows.length ? { beside: next! } : {}),
      css: isWhole ? NOTICES_CSS : `${TURNS_CSS}\n${NOTICES_CSS}`,
    };
  },
  ticker(root, parts) {
    const list = listIn(root, parts('item'));
    if (!list) return { problem: 'It needs two items at least, in one list.' };
    const pause = parts('pause');
    return {
      ...list,
      attributes: [...list.attributes, ...told(pause, 'data-do', 'pause')],
      ...(pause.length ? {} : { added: PAUSE }),
      css: pause.length ? TICKER_CSS : `${PAUSE_CSS}\n${TICKER_CSS}`,
    };
  },
  countdown(_root, parts) {
    const units = parts('unit');
    const digits = parts('digits');
    const attributes = units.flatMap((unit, i) => {
      const name = unitNamed(readableText(unit));
      const number = digits[i];
      if (!name || !number) return [];
      const box = number.parent;
      const isPair = box && box === unit.parent && box.children.length === 2;
      return isPair
        ? told([box], 'data-count', `${name}s`)
        : [...told([number], 'data-count', `${name}s`), ...told([unit], 'data-unit', `${name}s`)];
    });
    return attributes.length
      ? { attributes, css: COUNTING_CSS }
      : { problem: 'It needs numbers with the names of units beside them: days, hours, minutes or seconds.' };
  },
  menu: (_root, parts) => ({ attributes: told(parts('toggle'), 'data-do', 'menu'), css: '' }),
  tabs: needing(
    ({ attributes }) => attributes.get('role') === 'tab',
    'tabs with the role of a tab, each naming its panel by aria-controls',
  ),
  accordion: needing(({ name }) => name === 'details', 'sections as details with a summary'),
  tooltip: needing(({ attributes }) => attributes.get('role') === 'tooltip', 'a tip with the role of a tooltip'),
  appear: (_root, parts) => ({ attributes: told(parts('close'), 'data-do', 'close'), css: '' }),
  consent(_root, parts) {
    const accept = parts('accept');
    return accept.length
      ? {
          attributes: [...told(accept, 'data-choice', 'all'), ...told(parts('refuse'), 'data-choice', 'none')],
          css: '',
        }
      : { problem: 'It needs a button by which one accepts.' };
  },
});

const isElement = (node: Dom.Node): node is Dom.Element => 'tagName' in node;

/** An element and all in it, in the order of the document. */
function elementsIn(element: Dom.Element): Dom.Element[] {
  return [element, ...element.childNodes.filter(isElement).flatMap(elementsIn)];
}

/** Puts elements of one parent into a list where the first of them is. */
function gather(items: readonly Dom.Element[]): Dom.Element | undefined {
  const [first] = items;
  if (!first) return undefined;
  const list = defaultTreeAdapter.createElement('div', first.namespaceURI, [{ name: 'data-list', value: '' }]);
  defaultTreeAdapter.insertBefore(first.parentNode!, list, first);
  for (const item of items) {
    defaultTreeAdapter.detachNode(item);
    defaultTreeAdapter.appendChild(list, item);
  }
  return list;
}

/**
 * A component's markup with a behaviour in it: what it works on is marked, what it needs is added, and the element that
 * sets it going stands last.
 *
 * @param html of the page
 * @returns why it cannot have it, where its markup has nothing for it
 */
export function giveBehaviour(
  html: string,
  root: ElementNode,
  parts: readonly FoundPart[],
  behaviour: Behaviour,
): GivenBehaviour | { readonly problem: string } {
  const before = sourceOf(html, root.order);
  const element = before === undefined ? undefined : parseFragment(before).childNodes.find(isElement);
  if (before === undefined || !element) return { problem: 'The page’s source does not write it out.' };
  if (root.children.some(({ name }) => name === elementOf(behaviour))) return { problem: 'It has that already.' };
  const within = new Set([root, ...descendants(root)]);
  const elementsOf: Parts = (name) =>
    (parts.find(({ part }) => part.name === name)?.elements ?? []).filter((own) => within.has(own));
  const fitting = FITS[behaviour.name]!(root, elementsOf);
  if ('problem' in fitting) return fitting;
  const all = elementsIn(element);
  for (const own of fitting.attributes) {
    const target = all[own.element.order - root.order];
    if (!target) continue;
    if (own.value === null) target.attrs = target.attrs.filter(({ name }) => name !== own.name);
    else if (!target.attrs.some(({ name }) => name === own.name)) {
      target.attrs.push({ name: own.name, value: own.value });
    }
  }
  const list = gather((fitting.gathered ?? []).flatMap(({ order }) => all[order - root.order] ?? []));
  const beside = fitting.beside ? all[fitting.beside.order - root.order] : list;
  const next = beside?.parentNode?.childNodes[beside.parentNode.childNodes.indexOf(beside) + 1];
  for (const child of [...parseFragment(fitting.added ?? '').childNodes]) {
    if (next) defaultTreeAdapter.insertBefore(beside!.parentNode!, child, next);
    else defaultTreeAdapter.appendChild(beside?.parentNode ?? element, child);
  }
  for (const child of [...parseFragment(markupOf(behaviour)).childNodes])
    defaultTreeAdapter.appendChild(element, child);
  return { html: serializeOuter(element), before, css: fitting.css };
}
