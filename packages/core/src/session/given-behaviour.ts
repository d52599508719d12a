import { defaultTreeAdapter, parseFragment, serializeOuter, type DefaultTreeAdapterTypes as Dom } from 'parse5';
import { elementOf, markupOf, type Behaviour } from '../component/behaviours/index.js';
import { COUNTING_CSS, NOTICES_CSS, PAUSE_CSS, TICKER_CSS, TURNS_CSS } from '../component/behaviours/css.js';
import { PAUSE, TURNS } from '../component/behaviours/markup.js';
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
  readonly attributes: readonly { readonly element: ElementNode; readonly name: string; readonly value: string }[];
  /** Markup that is added behind all that it holds. */
  readonly added?: string;
  readonly css: string;
}

type Parts = (name: string) => readonly ElementNode[];
type Fit = (root: ElementNode, parts: Parts) => Fitting | { readonly problem: string };

const told = (elements: readonly ElementNode[], name: string, value: string) =>
  elements.map((element) => ({ element, name, value }));

/** The list in a component, or else what holds several of its messages. */
function listIn(root: ElementNode, items: readonly ElementNode[]): ElementNode | undefined {
  const lists = [...descendants(root)].filter(({ name }) => name === 'ul' || name === 'ol');
  const list = lists.find(({ children }) => children.filter(({ name }) => name === 'li').length > 1);
  if (list) return list;
  const parents = items.map(({ parent }) => parent);
  return items.length > 1 && parents[0] !== root && parents.every((own) => own === parents[0])
    ? (parents[0] ?? undefined)
    : undefined;
}

const FITS: Readonly<Record<string, Fit>> = lookup({
  notices(root, parts) {
    const list = listIn(root, parts('message'));
    if (!list) return { problem: 'It needs two messages at least, as items of one list.' };
    const [previous, next] = parts('arrow');
    const pause = parts('pause');
    const has = previous && next && pause.length;
    return {
      attributes: [
        ...told([list], 'data-list', ''),
        ...(has ? [...told([previous], 'data-do', 'previous'), ...told([next], 'data-do', 'next')] : []),
        ...(has ? told(pause, 'data-do', 'pause') : []),
        ...told(parts('close'), 'data-do', 'close'),
      ],
      ...(has ? {} : { added: TURNS }),
      css: has ? NOTICES_CSS : `${TURNS_CSS}\n${NOTICES_CSS}`,
    };
  },
  ticker(root, parts) {
    const list = listIn(root, parts('item'));
    if (!list) return { problem: 'It needs two items at least, in one list.' };
    const pause = parts('pause');
    return {
      attributes: [...told([list], 'data-list', ''), ...told(pause, 'data-do', 'pause')],
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
  tabs: (root) =>
    [...descendants(root)].some(({ attributes }) => attributes.get('role') === 'tab')
      ? { attributes: [], css: '' }
      : { problem: 'It needs tabs with the role of a tab, each naming its panel by aria-controls.' },
  accordion: (root) =>
    [...descendants(root)].some(({ name }) => name === 'details')
      ? { attributes: [], css: '' }
      : { problem: 'It needs sections as details with a summary.' },
  tooltip: (root) =>
    [...descendants(root)].some(({ attributes }) => attributes.get('role') === 'tooltip')
      ? { attributes: [], css: '' }
      : { problem: 'It needs a tip with the role of a tooltip.' },
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
    if (target && !target.attrs.some(({ name }) => name === own.name)) {
      target.attrs.push({ name: own.name, value: own.value });
    }
  }
  for (const child of [...parseFragment(`${fitting.added ?? ''}${markupOf(behaviour)}`).childNodes])
    defaultTreeAdapter.appendChild(element, child);
  return { html: serializeOuter(element), before, css: fitting.css };
}
