import { ORDER_ATTRIBUTE } from '@retoque/core';
import { whenIdle } from '../shell/when-idle';
import { allIn, attributeOf, bodyOf, boxOf, childrenOf, firstChildOf, hasAttribute, parentOf, viewOf } from './dom';
import { makeSheet, putSheets } from './frame-sheets';

/** A part of a frame, in CSS pixels from the top left of its window. */
export interface Area {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

const meet = (a: Area, b: Area): boolean =>
  a.left < b.right && a.right > b.left && a.top < b.bottom && a.bottom > b.top;

const hull = (a: Area, b: Area): Area => ({
  left: Math.min(a.left, b.left),
  top: Math.min(a.top, b.top),
  right: Math.max(a.right, b.right),
  bottom: Math.max(a.bottom, b.bottom),
});

/** Boxes that can be skipped without anything else being laid out otherwise, as far as can be told beforehand. */
const SKIPPABLE = new Set(['block', 'flex', 'grid', 'flow-root']);
/** In CSS pixels; beyond it something has moved. */
const TOLERANCE = 0.51;

const px = (text: string): number => Number.parseFloat(text) || 0;

/** Width and height inside padding and border. */
function contentSize(style: CSSStyleDeclaration): readonly [number, number] {
  const across =
    px(style.paddingLeft) + px(style.paddingRight) + px(style.borderLeftWidth) + px(style.borderRightWidth);
  const down = px(style.paddingTop) + px(style.paddingBottom) + px(style.borderTopWidth) + px(style.borderBottomWidth);
  const isBorderBox = style.boxSizing === 'border-box';
  return [px(style.width) - (isBorderBox ? across : 0), px(style.height) - (isBorderBox ? down : 0)];
}

/**
 * Keeps what stands outside an area of a still frame from being styled, laid out and painted at every edit: of a long
 * page a picture shows little. The tree stays whole, so every selector still says the same; where skipping would move
 * anything that is seen, nothing is skipped.
 *
 * @param keep selector of elements that an edit may change, which are never skipped
 * @returns how many elements are skipped, what is in them not counted
 */
export function skipUnseen(document: Document, area: Area, keep: string): number {
  const view = viewOf(document);
  const body = bodyOf(document);
  if (!view || !body) return 0;
  putSheets(document, 'skipped', []);
  const kept = new Set<Element>();
  for (const element of allIn(document, keep)) {
    for (let node: Element | null = element; node; node = parentOf(node)) kept.add(node);
    for (const inner of allIn(element, '*')) kept.add(inner);
  }
  const boxes = new Map<Element, Area>();
  const reach = new Map<Element, Area>();
  const all = [...allIn(body, '*')];
  for (const element of all) boxes.set(element, boxOf(element));
  // Children come after their parents, so backwards each is complete when its parent takes it in.
  for (const element of all.reverse()) {
    const box = boxes.get(element)!;
    const own = reach.get(element);
    const whole = own ? hull(box, own) : box;
    reach.set(element, whole);
    const parentElement = parentOf(element);
    if (!parentElement || parentElement === body) continue;
    const outer = reach.get(parentElement);
    reach.set(parentElement, outer ? hull(outer, whole) : whole);
  }
  const seen: Element[] = [];
  const skipped: Element[] = [];
  const visit = (parent: Element) => {
    for (const element of childrenOf(parent)) {
      if (!hasAttribute(element, ORDER_ATTRIBUTE)) continue;
      if (kept.has(element) || meet(reach.get(element)!, area)) {
        seen.push(element);
        visit(element);
        continue;
      }
      const { display, position } = view.getComputedStyle(element);
      if (!SKIPPABLE.has(display) || position === 'fixed') visit(element);
      else if (firstChildOf(element)) skipped.push(element);
    }
  };
  visit(body);
  if (!skipped.length) return 0;
  const isMoved = () =>
    seen.some((element) => {
      const before = boxes.get(element)!;
      const now = boxOf(element);
      return (['left', 'top', 'right', 'bottom'] as const).some(
        (side) => Math.abs(now[side] - before[side]) > TOLERANCE,
      );
    });
  for (const rules of [without(view, skipped), asEmptyBoxes(view, skipped)]) {
    const sheet = makeSheet(document, rules.join('\n'));
    putSheets(document, 'skipped', sheet ? [sheet] : []);
    if (!isMoved()) return skipped.length;
  }
  putSheets(document, 'skipped', []);
  return 0;
}

const ruleFor = (element: Element, declarations: string) =>
  `[${ORDER_ATTRIBUTE}="${attributeOf(element, ORDER_ATTRIBUTE)}"]{${declarations}}`;

/** Leaves elements out; what they stand in keeps its height. */
function without(view: Window, elements: readonly Element[]): string[] {
  const parents = new Set(elements.flatMap((element) => parentOf(element) ?? []));
  return [
    ...[...parents].map((parent) => ruleFor(parent, `min-height:${view.getComputedStyle(parent).height}!important`)),
    ...elements.map((element) => ruleFor(element, 'display:none!important')),
  ];
}

/** Keeps their boxes, with nothing in them. */
function asEmptyBoxes(view: Window, elements: readonly Element[]): string[] {
  return elements.map((element) => {
    const [width, height] = contentSize(view.getComputedStyle(element));
    return ruleFor(
      element,
      `content-visibility:hidden!important;contain-intrinsic-size:${width}px ${height}px!important`,
    );
  });
}

/** In CSS pixels of the page; as far around what is seen nothing is skipped, so that small moves change nothing. */
const MARGIN = 260;

const grow = ({ left, top, right, bottom }: Area, by: number): Area => ({
  left: left - by,
  top: top - by,
  right: right + by,
  bottom: bottom + by,
});

const moved = ({ left, top, right, bottom }: Area, x: number, y: number): Area => ({
  left: left + x,
  top: top + y,
  right: right + x,
  bottom: bottom + y,
});

const holds = (outer: Area, inner: Area): boolean =>
  outer.left <= inner.left && outer.top <= inner.top && outer.right >= inner.right && outer.bottom >= inner.bottom;

export interface Skipper {
  /**
   * Chooses what to skip, when there is time, unless what was chosen before still serves.
   *
   * @param shown what is seen of the frame's window
   */
  choose(view: Window, shown: Area, keep: string): void;
  /** Another page is in the frame. */
  forget(): void;
}

export function createSkipper(): Skipper {
  let chosen: Area | undefined;
  let cancel: (() => void) | undefined;
  return {
    choose: (view, shown, keep) => {
      const onPage = moved(shown, view.scrollX, view.scrollY);
      if (chosen && holds(chosen, onPage)) return;
      chosen = grow(onPage, MARGIN);
      const area = chosen;
      cancel?.();
      cancel = whenIdle(() => skipUnseen(view.document, moved(area, -view.scrollX, -view.scrollY), keep));
    },
    forget: () => {
      cancel?.();
      chosen = undefined;
    },
  };
}
