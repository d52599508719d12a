import { once } from '../memo/once.js';
import type { ElementNode, PageTree } from '../tree/tree.js';

/** One attribute of one element as it is to be; an undefined value takes it away. */
export interface MarkupChange {
  /** Order of the element in the page. */
  readonly order: number;
  /** Name of the attribute, or `#text` for the text of a textarea. */
  readonly name: string;
  readonly value: string | undefined;
}

/** Changes in a fixed order, as a key. */
export const changesKey = once((changes: readonly MarkupChange[]): string =>
  changes
    .map(({ order, name, value }) => `${order} ${name}${value === undefined ? '' : `=${value}`}`)
    .sort()
    .join('\n'),
);

type Mutable = { -readonly [K in keyof ElementNode]: ElementNode[K] } & {
  children: ElementNode[];
  content: (ElementNode | string)[];
};

/** A copy of a page with other attributes on some of its elements; elements keep their order. */
export function stageTree(tree: PageTree, changes: readonly MarkupChange[]): PageTree {
  const byOrder = new Map<number, MarkupChange[]>();
  for (const change of changes) byOrder.set(change.order, [...(byOrder.get(change.order) ?? []), change]);
  const copies: Mutable[] = [];
  for (const element of tree.elements) {
    const own = byOrder.get(element.order);
    const attributes = own ? changed(element.attributes, own) : element.attributes;
    copies.push({
      order: element.order,
      name: element.name,
      namespace: element.namespace,
      attributes,
      id: own ? attributes.get('id') || undefined : element.id,
      classes: own ? (attributes.get('class') ?? '').split(/[\t\n\f\r ]+/).filter(Boolean) : element.classes,
      parent: element.parent && copies[element.parent.order],
      children: [],
      content: [],
      siblingIndex: element.siblingIndex,
      stagedFrom: element,
    });
  }
  tree.elements.forEach((element, i) => {
    const copy = copies[i]!;
    copy.children = element.children.map((child) => copies[child.order]!);
    const text = byOrder.get(element.order)?.find((change) => change.name === '#text');
    copy.content = text
      ? [text.value ?? '']
      : element.content.map((item) => (typeof item === 'string' ? item : copies[item.order]!));
  });
  return { root: copies[0]!, elements: copies, quirks: tree.quirks };
}

function changed(attributes: ReadonlyMap<string, string>, changes: readonly MarkupChange[]): Map<string, string> {
  const result = new Map(attributes);
  for (const { name, value } of changes) {
    if (name === '#text') continue;
    if (value === undefined) result.delete(name);
    else result.set(name, value);
  }
  return result;
}
