import { isScriptAddress, lookup } from '@retoque/core';
/** One text, link or attribute of a component that can be worded otherwise. */
export interface WordingField {
  readonly id: number;
  readonly label: string;
  readonly value: string;
  readonly isLong: boolean;
  /** Why what was typed last was not taken. */
  readonly problem?: string | undefined;
}

/** An item of a component with its fields; those of a list can be moved, copied and left out. */
export interface WordingItem {
  readonly id: number;
  readonly depth: number;
  readonly fields: readonly WordingField[];
  readonly canMove: { readonly up: boolean; readonly down: boolean } | undefined;
  /** Items of one group change places with each other. */
  readonly group: number;
  readonly isHidden: boolean;
}

export interface WordingView {
  readonly html: string;
  readonly items: readonly WordingItem[];
  /** What differs from the page, in sentences. */
  readonly changes: readonly string[];
}

interface Target {
  readonly read: () => string;
  readonly write: (value: string) => void;
  readonly node: Node;
  readonly attribute: string | undefined;
}

const REPEATED = 'li, details, article, option, tr, [role=tab], [role=option]';
const ATTRIBUTES: Readonly<Record<string, string>> = lookup({
  href: 'Link to',
  placeholder: 'Placeholder',
  alt: 'Text of picture',
  'aria-label': 'Name for screen readers',
  title: 'Tip',
});
const LONG = 42;

const textOf = (node: Node): string => (node.textContent ?? '').replace(/\s+/g, ' ').trim();
const nameOf = (element: Element): string =>
  textOf(element).slice(0, 40) || element.getAttribute('aria-label') || element.tagName.toLowerCase();
const inDocument = (name: string): string =>
  ({ a: 'Link', button: 'Button', label: 'Label', li: 'Item', p: 'Text', summary: 'Summary' })[name] ??
  (/^h[1-6]$/.test(name) ? 'Heading' : 'Text');

/**
 * A component's markup while its wording, order and links are tried. The markup is held in a document of its own, in
 * which nothing runs or loads.
 */
export class WordingDraft {
  private readonly root: Element;
  private readonly original = new Map<string, string>();
  private readonly targets = new Map<number, Target>();
  private readonly elements = new Map<number, Element>();
  private readonly ids = new WeakMap<Node, Map<string, number>>();
  private readonly notes: string[] = [];
  private readonly refused = new Map<number, string>();
  private count = 0;

  constructor(html: string) {
    const parsed = new DOMParser().parseFromString(`<body>${html}`, 'text/html');
    // A row or an item keeps its element only inside what may hold it.
    const template = parsed.createElement('template');
    template.innerHTML = html;
    this.root = template.content.firstElementChild ?? parsed.body;
    this.view();
  }

  private idOf(node: Node, part = ''): number {
    let own = this.ids.get(node);
    if (!own) this.ids.set(node, (own = new Map()));
    let id = own.get(part);
    if (id === undefined) own.set(part, (id = ++this.count));
    return id;
  }

  private field(node: Node, element: Element, attribute: string | undefined): WordingField {
    const id = this.idOf(node, attribute ?? '');
    const target: Target = {
      node,
      attribute,
      read: () => (attribute ? (element.getAttribute(attribute) ?? '') : (node.textContent ?? '')),
      write: (value) => (attribute ? element.setAttribute(attribute, value) : (node.textContent = value)),
    };
    this.targets.set(id, target);
    const value = attribute ? target.read() : target.read().replace(/\s+/g, ' ').trim();
    if (!this.original.has(String(id))) this.original.set(String(id), value);
    const label = attribute ? ATTRIBUTES[attribute]! : inDocument(element.tagName.toLowerCase());
    return { id, label, value, isLong: value.length > LONG, problem: this.refused.get(id) };
  }

  private fieldsOf(element: Element): WordingField[] {
    const fields: WordingField[] = [];
    for (const node of element.childNodes) {
      const isText = node.nodeType === Node.TEXT_NODE && (textOf(node) !== '' || this.ids.has(node));
      if (isText) fields.push(this.field(node, element, undefined));
    }
    for (const attribute of Object.keys(ATTRIBUTES)) {
      if (element.hasAttribute(attribute)) fields.push(this.field(element, element, attribute));
    }
    return fields;
  }

  view(): WordingView {
    const items: WordingItem[] = [];
    const walk = (element: Element, depth: number, owner: { fields: WordingField[] } | undefined) => {
      const isRepeated = element !== this.root && element.matches(REPEATED);
      const fields = this.fieldsOf(element);
      let own = owner;
      if (isRepeated || !own) {
        const id = this.idOf(element, 'item');
        this.elements.set(id, element);
        const item = {
          id,
          depth,
          fields: [...fields],
          canMove: isRepeated
            ? { up: element.previousElementSibling !== null, down: element.nextElementSibling !== null }
            : undefined,
          group: element.parentElement ? this.idOf(element.parentElement, 'group') : 0,
          isHidden: element.hasAttribute('hidden'),
        };
        items.push(item);
        own = item;
      } else own.fields.push(...fields);
      for (const child of element.children) {
        if (child.namespaceURI === 'http://www.w3.org/1999/xhtml') walk(child, isRepeated ? depth + 1 : depth, own);
      }
    };
    walk(this.root, 0, undefined);
    return { html: this.root.outerHTML, items, changes: [...this.worded(), ...this.notes] };
  }

  private worded(): string[] {
    return [...this.targets].flatMap(([id, target]) => {
      const before = this.original.get(String(id)) ?? '';
      const now = target.attribute ? target.read() : textOf(target.node);
      if (before === now || !this.root.contains(target.node)) return [];
      const what =
        target.attribute === 'href' ? `The link “${nameOf(target.node as Element)}” leads to` : `“${before}” becomes`;
      return [`${what} “${now}”.`];
    });
  }

  write(id: number, value: string): void {
    const target = this.targets.get(id);
    if (target?.attribute === 'href' && isScriptAddress(value)) {
      this.refused.set(id, 'A link cannot run a script. Give an address, or # and the id of something on the page.');
      return;
    }
    this.refused.delete(id);
    target?.write(value);
  }

  /** Begins a second line in a text, at a place in it. */
  breakLine(id: number, at: number): void {
    const target = this.targets.get(id);
    if (!target || target.attribute || !(target.node instanceof Text)) return;
    const text = target.node.data.replace(/\s+/g, ' ').trim();
    target.node.data = text.slice(0, at).trim();
    const rest = target.node.ownerDocument.createTextNode(text.slice(at).trim());
    target.node.after(target.node.ownerDocument.createElement('br'), rest);
    this.notes.push(`“${text}” goes on two lines.`);
  }

  move(id: number, by: 1 | -1): void {
    const element = this.elements.get(id);
    const other = by < 0 ? element?.previousElementSibling : element?.nextElementSibling;
    if (!element || !other) return;
    if (by < 0) other.before(element);
    else other.after(element);
    this.notes.push(`“${nameOf(element)}” stands ${by < 0 ? 'before' : 'after'} “${nameOf(other)}”.`);
  }

  /** Puts an item where another of its group is; those between move up. */
  moveTo(id: number, to: number): void {
    const element = this.elements.get(id);
    const other = this.elements.get(to);
    if (!element || !other || element === other || element.parentElement !== other.parentElement) return;
    const isBefore = element.compareDocumentPosition(other) & Node.DOCUMENT_POSITION_FOLLOWING;
    if (isBefore) other.after(element);
    else other.before(element);
    this.notes.push(`“${nameOf(element)}” stands ${isBefore ? 'after' : 'before'} “${nameOf(other)}”.`);
  }

  copy(id: number): void {
    const element = this.elements.get(id);
    if (!element) return;
    const copy = element.cloneNode(true) as Element;
    for (const node of [copy, ...copy.querySelectorAll('[id]')]) node.removeAttribute('id');
    element.after(copy);
    this.notes.push(`A copy of “${nameOf(element)}” stands after it.`);
  }

  toggleHidden(id: number): void {
    const element = this.elements.get(id);
    if (!element) return;
    const hidden = element.toggleAttribute('hidden');
    this.notes.push(`“${nameOf(element)}” is ${hidden ? 'hidden' : 'shown again'}.`);
  }

  remove(id: number): void {
    const element = this.elements.get(id);
    if (!element) return;
    this.notes.push(`“${nameOf(element)}” is taken out.`);
    element.remove();
  }
}
