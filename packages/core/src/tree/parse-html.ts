import { html, type DefaultTreeAdapterTypes as Dom } from 'parse5';
import { MAX_DEPTH, MAX_ELEMENTS, PageTooLargeError, parseDocument, tooDeep, tooMany } from './parse-document.js';
import type { ElementNode, PageTree } from './tree.js';
import { lookup } from '../base/lookup.js';

const namespaces: Record<string, ElementNode['namespace']> = lookup({
  [html.NS.HTML]: 'html',
  [html.NS.SVG]: 'svg',
  [html.NS.MATHML]: 'math',
});

type Mutable = { -readonly [K in keyof ElementNode]: ElementNode[K] } & {
  children: ElementNode[];
  content: (ElementNode | string)[];
};

/**
 * Parses HTML as browsers do (WHATWG HTML, section 13, with scripting enabled) into a tree of elements and text.
 *
 * @throws PageTooLargeError past MAX_DEPTH levels or MAX_ELEMENTS elements
 */
export function parseHtml(source: string): PageTree {
  const document = parseDocument(source);
  const elements: ElementNode[] = [];
  const convert = (
    node: Dom.Element,
    parent: ElementNode | undefined,
    siblingIndex: number,
    depth: number,
  ): Mutable => {
    // Elements that the parser moves may end up deeper than it ever stood.
    if (depth > MAX_DEPTH) throw tooDeep();
    if (elements.length >= MAX_ELEMENTS) throw tooMany();
    const attributes = new Map(
      node.attrs.map((attr) => [attr.prefix ? `${attr.prefix}:${attr.name}` : attr.name, attr.value]),
    );
    const element: Mutable = {
      order: elements.length,
      name: node.tagName,
      namespace: namespaces[node.namespaceURI] ?? 'other',
      attributes,
      id: attributes.get('id') || undefined,
      classes: (attributes.get('class') ?? '').split(/[\t\n\f\r ]+/).filter(Boolean),
      parent,
      children: [],
      content: [],
      siblingIndex,
    };
    elements.push(element);
    for (const child of node.childNodes) {
      if (child.nodeName === '#text') {
        element.content.push((child as Dom.TextNode).value);
      } else if ('tagName' in child) {
        const converted = convert(child, element, element.children.length, depth + 1);
        element.children.push(converted);
        element.content.push(converted);
      }
    }
    return element;
  };
  const rootNode = document.childNodes.find((child): child is Dom.Element => 'tagName' in child);
  // parse5 always creates <html>; the check keeps the type honest.
  if (!rootNode) throw new PageTooLargeError('The page has no root element.');
  return { root: convert(rootNode, undefined, 0, 1), elements, quirks: document.mode === html.DOCUMENT_MODE.QUIRKS };
}
