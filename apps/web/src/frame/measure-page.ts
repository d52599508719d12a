/** Left, top, width and height in CSS pixels from the top left of the page. */
export type BoxNumbers = readonly [number, number, number, number];

/** Where one element stands; `order` is its place in the document. */
export interface MeasuredElement {
  readonly order: number;
  readonly box: BoxNumbers;
  readonly lines: readonly BoxNumbers[];
  readonly before?: BoxNumbers;
  readonly after?: BoxNumbers;
}

/**
 * Measures every element of a document that has a box: where it stands, where the lines of its own text are, and where
 * its pseudo-elements are, as far as a browser tells. It leaves nothing behind and calls nothing outside of itself.
 *
 * @param attribute holds an element's place; where there is none the elements are counted
 */
export function measureDocument(document: Document, attribute: string): MeasuredElement[] {
  // By the prototypes' own accessors: a form and a document answer to the names in them first. See frame/dom.ts; this
  // function is handed to other pages as text, so it cannot call that.
  const getter = <N extends object, T>(prototype: N, name: string) => {
    const { get } = Object.getOwnPropertyDescriptor(prototype, name)!;
    return (node: N) => get!.call(node) as T;
  };
  const parentOf = getter<Node, Element | null>(Node.prototype, 'parentElement');
  const childNodesOf = getter<Node, NodeListOf<ChildNode>>(Node.prototype, 'childNodes');
  const rootOf = getter<Document, Element>(Document.prototype, 'documentElement');
  const view = getter<Document, (Window & typeof globalThis) | null>(Document.prototype, 'defaultView')(document)!;
  const boxOf = (element: Element) => Element.prototype.getBoundingClientRect.call(element);
  const attributeOf = (element: Element, name: string) => Element.prototype.getAttribute.call(element, name);
  const { scrollX, scrollY } = view;
  const px = (text: string): number => Number.parseFloat(text) || 0;
  const numbers = (rect: { left: number; top: number; width: number; height: number }): BoxNumbers => [
    rect.left + scrollX,
    rect.top + scrollY,
    rect.width,
    rect.height,
  ];

  /** The padding box that an absolutely placed pseudo-element is placed in. */
  const holderOf = (element: Element, isFixed: boolean): BoxNumbers => {
    for (let node: Element | null = element; node; node = parentOf(node)) {
      const style = view.getComputedStyle(node);
      const holds = style.transform !== 'none' || style.filter !== 'none' || (!isFixed && style.position !== 'static');
      if (!holds) continue;
      const rect = boxOf(node);
      const [left, top] = [px(style.borderLeftWidth), px(style.borderTopWidth)];
      return numbers({
        left: rect.left + left,
        top: rect.top + top,
        width: rect.width - left - px(style.borderRightWidth),
        height: rect.height - top - px(style.borderBottomWidth),
      });
    }
    return [isFixed ? scrollX : 0, isFixed ? scrollY : 0, view.innerWidth, view.innerHeight];
  };

  const pseudoBox = (element: Element, name: 'before' | 'after'): BoxNumbers | undefined => {
    const style = view.getComputedStyle(element, `::${name}`);
    if (style.content === 'none' || style.content === 'normal' || style.display === 'none') return undefined;
    const isPlaced = style.position === 'absolute' || style.position === 'fixed';
    if (!isPlaced && style.display !== 'block' && style.display !== 'flex' && style.display !== 'grid')
      return undefined;
    const isBorderBox = style.boxSizing === 'border-box';
    const more = (sides: readonly string[]) => sides.reduce((sum, side) => sum + px(style.getPropertyValue(side)), 0);
    const across = ['padding-left', 'padding-right', 'border-left-width', 'border-right-width'];
    const down = ['padding-top', 'padding-bottom', 'border-top-width', 'border-bottom-width'];
    const width = px(style.width) + (isBorderBox ? 0 : more(across));
    const height = px(style.height) + (isBorderBox ? 0 : more(down));
    let x: number;
    let y: number;
    if (isPlaced) {
      const [left, top] = holderOf(element, style.position === 'fixed');
      x = left + px(style.left) + px(style.marginLeft);
      y = top + px(style.top) + px(style.marginTop);
    } else {
      const own = view.getComputedStyle(element);
      const rect = boxOf(element);
      const top = rect.top + scrollY + px(own.borderTopWidth) + px(own.paddingTop);
      const bottom = rect.bottom + scrollY - px(own.borderBottomWidth) - px(own.paddingBottom);
      x = rect.left + scrollX + px(own.borderLeftWidth) + px(own.paddingLeft) + px(style.marginLeft);
      y = name === 'before' ? top + px(style.marginTop) : bottom - px(style.marginBottom) - height;
    }
    if (style.transform === 'none') return [x, y, width, height];
    const [originX = 0, originY = 0] = style.transformOrigin.split(' ').map(px);
    const matrix = new DOMMatrix(style.transform);
    const points = [0, width].flatMap((left) =>
      [0, height].map((top) => matrix.transformPoint(new DOMPoint(left - originX, top - originY))),
    );
    const xs = points.map((point) => x + originX + point.x);
    const ys = points.map((point) => y + originY + point.y);
    return [Math.min(...xs), Math.min(...ys), Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)];
  };

  const range = Document.prototype.createRange.call(document);
  const linesOf = (element: Element): BoxNumbers[] => {
    const lines: BoxNumbers[] = [];
    for (const child of childNodesOf(element)) {
      if (child.nodeType !== 3 || !child.nodeValue?.trim()) continue;
      range.selectNodeContents(child);
      for (const rect of range.getClientRects()) if (rect.width > 0 && rect.height > 0) lines.push(numbers(rect));
    }
    return lines;
  };

  const measured: MeasuredElement[] = [];
  const all = Document.prototype.querySelectorAll.call(document, '*');
  for (let i = 0; i < all.length; i++) {
    const element = all[i]!;
    const place = attributeOf(element, attribute);
    if (place === null && attributeOf(rootOf(document), attribute) !== null) continue;
    const rect = boxOf(element);
    const before = pseudoBox(element, 'before');
    const after = pseudoBox(element, 'after');
    if (!rect.width && !rect.height && !before && !after) continue;
    measured.push({
      order: place === null ? i : Number(place),
      box: numbers(rect),
      lines: linesOf(element),
      ...(before ? { before } : {}),
      ...(after ? { after } : {}),
    });
  }
  return measured;
}
