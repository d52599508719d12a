import { parse } from '../syntax/parser.js';
import type { ElementNode } from '../../tree/tree.js';
import { expandDeclaration } from '../sheet/declaration.js';
import { compareSpecificity, NO_SPECIFICITY, type Specificity } from '../selector/specificity.js';
import type { CompiledSelector } from '../selector/types.js';
import type { Origin, StyleRule } from '../sheet/sheet.js';
import type { Declaration } from '../sheet/declared.js';

/** A declaration that applies to an element, with all that decides whether it wins. */
export interface Applied {
  readonly declaration: Declaration;
  readonly origin: Origin;
  /** From the element's own style attribute. */
  readonly inline: boolean;
  /** From another attribute of the element, such as `bgcolor` (Cascade 5, section 6.3). */
  readonly hint: boolean;
  /** Rank of its layer, higher is later; unlayered rules rank highest. */
  readonly layer: number;
  readonly specificity: Specificity;
  /** Generations between the element and its scope's root; Infinity outside any scope. */
  readonly proximity: number;
  readonly order: number;
  readonly rule: StyleRule | undefined;
  readonly selector: CompiledSelector | undefined;
}

const originRank = (applied: Applied): number => {
  if (applied.declaration.important) return applied.origin === 'author' ? 3 : 4;
  return applied.origin === 'browser' ? 0 : applied.hint ? 1 : 2;
};

/** What decided between two declarations, in the order in which the cascade asks (Cascade 6, section 3). */
export type Criterion = 'origin' | 'importance' | 'inline' | 'layer' | 'specificity' | 'proximity' | 'order';

/** Cascade 6, section 3: ascending, so the last of a sorted list wins; with the criterion that decided. */
export function judge(a: Applied, b: Applied): readonly [number, Criterion] {
  const byOrigin = originRank(a) - originRank(b);
  if (byOrigin) return [byOrigin, a.declaration.important !== b.declaration.important ? 'importance' : 'origin'];
  if (a.inline !== b.inline) return [a.inline ? 1 : -1, 'inline'];
  if (a.layer !== b.layer) {
    // Among important declarations earlier layers are stronger.
    return [a.declaration.important ? b.layer - a.layer : a.layer - b.layer, 'layer'];
  }
  const bySpecificity = compareSpecificity(a.specificity, b.specificity);
  if (bySpecificity) return [bySpecificity, 'specificity'];
  if (a.proximity !== b.proximity) return [b.proximity - a.proximity, 'proximity'];
  return [a.order - b.order || (a.declaration.index ?? 0) - (b.declaration.index ?? 0), 'order'];
}

/** The same order as `judge`, without saying why. */
export function compareApplied(a: Applied, b: Applied): number {
  const byOrigin = originRank(a) - originRank(b);
  if (byOrigin) return byOrigin;
  if (a.inline !== b.inline) return a.inline ? 1 : -1;
  if (a.layer !== b.layer) return a.declaration.important ? b.layer - a.layer : a.layer - b.layer;
  const bySpecificity = compareSpecificity(a.specificity, b.specificity);
  if (bySpecificity) return bySpecificity;
  if (a.proximity !== b.proximity) return b.proximity - a.proximity;
  return a.order - b.order || (a.declaration.index ?? 0) - (b.declaration.index ?? 0);
}

const inlineCache = new WeakMap<ElementNode, Applied[]>();

/** The declarations of a style attribute; the same objects each time, so that they can be told apart by identity. */
export function inlineDeclarations(element: ElementNode): readonly Applied[] {
  // Copies of an element share its declarations where they have the same of them.
  const { stagedFrom } = element;
  const own =
    stagedFrom?.attributes.get('style') === element.attributes.get('style') ? (stagedFrom ?? element) : element;
  let applied = inlineCache.get(own);
  if (!applied) inlineCache.set(own, (applied = readInline(own)));
  return applied;
}

function readInline(element: ElementNode): Applied[] {
  const text = element.attributes.get('style');
  if (!text) return [];
  // Here a part that cannot be read is dropped and the rest stays.
  const list = parse(text, {
    context: 'declarationList',
    positions: true,
    parseValue: false,
    onParseError: () => undefined,
  });
  if (list.type !== 'DeclarationList') return [];
  const applied: Applied[] = [];
  list.children.forEach((node) => {
    if (node.type !== 'Declaration' || typeof node.important === 'string') return;
    const value = node.value.type === 'Raw' ? node.value.value : '';
    const place = { sheet: 'style attribute', line: 1, column: node.loc?.start.column ?? 1 };
    for (const declaration of expandDeclaration(node.property, value, node.important, place)) {
      applied.push({
        declaration: { ...declaration, index: applied.length },
        origin: 'author',
        inline: true,
        hint: false,
        layer: Infinity,
        specificity: NO_SPECIFICITY,
        proximity: Infinity,
        order: 0,
        rule: undefined,
        selector: undefined,
      });
    }
  });
  return applied;
}
