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

/** A copy of an element; what stands in it is looked up when it is asked for, which for most copies never happens. */
class StagedElement implements ElementNode {
  readonly order: number;
  readonly name: string;
  readonly namespace: ElementNode['namespace'];
  readonly attributes: ReadonlyMap<string, string>;
  readonly id: string | undefined;
  readonly classes: readonly string[];
  readonly siblingIndex: number;
  readonly parent: ElementNode | undefined;
  private held: readonly ElementNode[] | undefined;
  private run: readonly (ElementNode | string)[] | undefined;

  constructor(
    readonly stagedFrom: ElementNode,
    private readonly copies: readonly ElementNode[],
    own: readonly MarkupChange[] | undefined,
  ) {
    const { attributes } = stagedFrom;
    this.order = stagedFrom.order;
    this.name = stagedFrom.name;
    this.namespace = stagedFrom.namespace;
    this.siblingIndex = stagedFrom.siblingIndex;
    this.attributes = own ? changed(attributes, own) : attributes;
    this.id = own ? this.attributes.get('id') || undefined : stagedFrom.id;
    this.classes = own
      ? (this.attributes.get('class') ?? '').split(/[\t\n\f\r ]+/).filter(Boolean)
      : stagedFrom.classes;
    this.parent = stagedFrom.parent && copies[stagedFrom.parent.order];
    const text = own?.find((change) => change.name === '#text');
    if (text) this.run = [text.value ?? ''];
  }

  get children(): readonly ElementNode[] {
    return (this.held ??= this.stagedFrom.children.map((child) => this.copies[child.order]!));
  }

  get content(): readonly (ElementNode | string)[] {
    return (this.run ??= this.stagedFrom.content.map((item) =>
      typeof item === 'string' ? item : this.copies[item.order]!,
    ));
  }
}

/** A copy of a page with other attributes on some of its elements; elements keep their order. */
export function stageTree(tree: PageTree, changes: readonly MarkupChange[]): PageTree {
  const byOrder = new Map<number, MarkupChange[]>();
  for (const change of changes) byOrder.set(change.order, [...(byOrder.get(change.order) ?? []), change]);
  const copies: ElementNode[] = [];
  for (const element of tree.elements) copies.push(new StagedElement(element, copies, byOrder.get(element.order)));
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
