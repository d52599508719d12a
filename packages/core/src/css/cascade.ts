import type { ElementNode } from '../page/tree.js';
import { expandDeclaration } from './declaration.js';
import type { Environment } from './environment.js';
import { evaluateMedia } from './media.js';
import { parse } from 'css-tree';
import type { CompiledSelector } from './selector/types.js';
import { compareSpecificity, NO_SPECIFICITY, type Specificity } from './selector/specificity.js';
import type { Condition, Declaration, Origin, ParsedSheet, StyleRule } from './sheet.js';

/** One sheet of a page, in its place in the order. */
export interface CascadeSheet {
  readonly sheet: ParsedSheet;
  readonly origin: Origin;
  /** Conditions of the sheet as a whole: a `media` attribute, or those of the @import that brought it. */
  readonly conditions: readonly Condition[];
  /** Layer that an @import puts the whole sheet into. */
  readonly layer: readonly string[];
}

/** A declaration that applies to an element, with all that decides whether it wins. */
export interface Applied {
  readonly declaration: Declaration;
  readonly origin: Origin;
  /** From the element's own style attribute. */
  readonly inline: boolean;
  /** Rank of its layer, higher is later; unlayered rules rank highest. */
  readonly layer: number;
  readonly specificity: Specificity;
  readonly order: number;
  readonly rule: StyleRule | undefined;
  readonly selector: CompiledSelector | undefined;
}

/** One selector of one rule, ready for matching. */
export interface RuleEntry {
  readonly selector: CompiledSelector;
  readonly rule: StyleRule;
  readonly origin: Origin;
  readonly layer: number;
  readonly order: number;
}

const originRank = (applied: Applied): number =>
  applied.declaration.important ? (applied.origin === 'author' ? 2 : 3) : applied.origin === 'author' ? 1 : 0;

/** Cascade 5, section 6: ascending, so the last of a sorted list wins. */
export function compareApplied(a: Applied, b: Applied): number {
  const byOrigin = originRank(a) - originRank(b);
  if (byOrigin) return byOrigin;
  if (a.inline !== b.inline) return a.inline ? 1 : -1;
  // Among important declarations earlier layers are stronger.
  const byLayer = a.declaration.important ? b.layer - a.layer : a.layer - b.layer;
  return byLayer || compareSpecificity(a.specificity, b.specificity) || a.order - b.order;
}

export const holds = (condition: Condition, environment: Environment): boolean =>
  condition.kind === 'media'
    ? evaluateMedia(condition.query, environment)
    : condition.kind === 'supports'
      ? condition.holds
      : false;

/** All rules of a page that apply in one environment, indexed by what their last compound needs. */
export class RuleIndex {
  private readonly byId = new Map<string, RuleEntry[]>();
  private readonly byClass = new Map<string, RuleEntry[]>();
  private readonly byTag = new Map<string, RuleEntry[]>();
  private readonly anywhere: RuleEntry[] = [];
  /** Conditions that cannot be judged from CSS alone; their rules are left out. */
  readonly unknown: ReadonlySet<string>;
  readonly entryCount: number;

  constructor(sheets: readonly CascadeSheet[], environment: Environment, quirks: boolean) {
    const layers = layerRanks(sheets);
    const unknown = new Set<string>();
    let order = 0;
    for (const { sheet, origin, conditions, layer } of sheets) {
      if (!conditions.every((condition) => holds(condition, environment))) continue;
      for (const rule of sheet.rules) {
        let applies = true;
        for (const condition of rule.conditions) {
          if (condition.kind === 'unknown') unknown.add(condition.text);
          if (!holds(condition, environment)) applies = false;
        }
        if (!applies) continue;
        const rank = layers.get(layerKey(origin, [...layer, ...rule.layer])) ?? Infinity;
        for (const selector of rule.selectors) {
          this.add({ selector, rule, origin, layer: rank, order: order++ }, quirks);
        }
      }
    }
    this.unknown = unknown;
    this.entryCount = order;
  }

  private add(entry: RuleEntry, quirks: boolean): void {
    const last = entry.selector.compounds.at(-1)!;
    const put = (map: Map<string, RuleEntry[]>, key: string) => {
      const list = map.get(key);
      if (list) list.push(entry);
      else map.set(key, [entry]);
    };
    // In quirks mode ids and classes match without regard to case, so they cannot be keys.
    if (last.id !== undefined && !quirks) put(this.byId, last.id);
    else if (last.classes.length && !quirks) put(this.byClass, last.classes[0]!);
    else if (last.tag !== undefined) put(this.byTag, last.tag);
    else this.anywhere.push(entry);
  }

  /** Every entry that could match the element, by the key of its last compound. */
  *candidates(element: ElementNode): Generator<RuleEntry> {
    if (element.id !== undefined) yield* this.byId.get(element.id) ?? [];
    for (const name of new Set(element.classes)) yield* this.byClass.get(name) ?? [];
    yield* this.byTag.get(element.name.toLowerCase()) ?? [];
    yield* this.anywhere;
  }
}

const layerKey = (origin: Origin, path: readonly string[]): string =>
  path.length ? `${origin} ${path.join('\u0000')}` : '';

interface LayerNode {
  readonly children: Map<string, LayerNode>;
}

/** Orders layers by first appearance; what stands directly in a layer ranks above its nested layers (Cascade 5, 6.4). */
function layerRanks(sheets: readonly CascadeSheet[]): Map<string, number> {
  const ranks = new Map<string, number>();
  for (const origin of ['browser', 'author'] as const) {
    const root: LayerNode = { children: new Map() };
    const enter = (path: readonly string[]) => {
      let node = root;
      for (const name of path) {
        let child = node.children.get(name);
        if (!child) node.children.set(name, (child = { children: new Map() }));
        node = child;
      }
    };
    for (const { sheet, origin: own, layer } of sheets) {
      if (own !== origin) continue;
      if (layer.length) enter(layer);
      for (const path of sheet.layers) enter([...layer, ...path]);
    }
    let next = 0;
    const number = (node: LayerNode, path: readonly string[]) => {
      for (const [name, child] of node.children) number(child, [...path, name]);
      if (path.length) ranks.set(layerKey(origin, path), next++);
    };
    number(root, []);
  }
  return ranks;
}

const inlineCache = new WeakMap<ElementNode, Applied[]>();

/** The declarations of a style attribute; the same objects each time, so that they can be told apart by identity. */
export function inlineDeclarations(element: ElementNode): readonly Applied[] {
  let applied = inlineCache.get(element);
  if (!applied) inlineCache.set(element, (applied = readInline(element)));
  return applied;
}

function readInline(element: ElementNode): Applied[] {
  const text = element.attributes.get('style');
  if (!text) return [];
  // Here a part that cannot be read is dropped and the rest stays.
  const list = parse(text, { context: 'declarationList', positions: true, onParseError: () => undefined });
  if (list.type !== 'DeclarationList') return [];
  const applied: Applied[] = [];
  list.children.forEach((node) => {
    if (node.type !== 'Declaration') return;
    const loc = node.value.loc;
    const value =
      node.value.type === 'Raw' ? node.value.value : loc ? text.slice(loc.start.offset, loc.end.offset) : '';
    const place = { sheet: 'style attribute', line: 1, column: node.loc?.start.column ?? 1 };
    for (const declaration of expandDeclaration(node.property, value, node.important !== false, place)) {
      applied.push({
        declaration,
        origin: 'author',
        inline: true,
        layer: Infinity,
        specificity: NO_SPECIFICITY,
        order: applied.length,
        rule: undefined,
        selector: undefined,
      });
    }
  });
  return applied;
}
