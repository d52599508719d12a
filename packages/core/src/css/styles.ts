import type { Rgba } from '../colour/rgba.js';
import { BLACK, TRANSPARENT } from '../colour/rgba.js';
import { parseColour } from '../colour/parse.js';
import { toCssRgb } from '../colour/print.js';
import type { ElementNode, PageTree } from '../page/tree.js';
import {
  compareApplied,
  inlineDeclarations,
  RuleIndex,
  type Applied,
  type CascadeSheet,
  type RuleEntry,
} from './cascade.js';
import { CSS_WIDE, expandShorthand, isValidValue, parseValue } from './declaration.js';
import type { Environment } from './environment.js';
import { AT_REST, type ForcedStates } from './forced.js';
import { propertyInfo } from './property/table.js';
import { matches } from './selector/match.js';
import { compareSpecificity } from './selector/specificity.js';
import { substitute } from './substitute.js';
import { fontSizeToPx, fontWeight } from './values/font.js';
import { lengthToPx, type LengthBasis } from './values/length.js';

/** Resolves a page's elements in one environment, in any forced state. Parsed once, asked often. */
export class PageStyles {
  private readonly index: RuleIndex;
  private readonly steady = new Map<ElementNode, { fixed: RuleEntry[]; stateful: RuleEntry[] }>();
  private readonly shared = new Map<ElementNode, Map<string, ElementStyle>>();
  private readonly views = new WeakMap<ForcedStates, StyledPage>();
  private nextStyle = 1;

  constructor(
    readonly tree: PageTree,
    sheets: readonly CascadeSheet[],
    readonly environment: Environment,
  ) {
    this.index = new RuleIndex(sheets, environment, tree.quirks);
  }

  /** Conditions such as container queries that CSS alone cannot judge; their rules are left out. */
  get unknownConditions(): ReadonlySet<string> {
    return this.index.unknown;
  }

  /** The page with states forced on some of its elements. */
  at(forced: ForcedStates = AT_REST): StyledPage {
    let view = this.views.get(forced);
    if (!view) this.views.set(forced, (view = new StyledPage(this, forced)));
    return view;
  }

  /** Entries that can match the element, those that no state changes already matched. */
  private entriesFor(element: ElementNode) {
    let entry = this.steady.get(element);
    if (!entry) {
      const fixed: RuleEntry[] = [];
      const stateful: RuleEntry[] = [];
      const context = { stateOf: () => 0, quirks: this.tree.quirks };
      for (const candidate of this.index.candidates(element)) {
        if (candidate.selector.states) stateful.push(candidate);
        else if (matches(candidate.selector, element, context)) fixed.push(candidate);
      }
      this.steady.set(element, (entry = { fixed, stateful }));
    }
    return entry;
  }

  /** @internal An element's style is shared between states in which the same rules match it and its ancestors. */
  styleOf(element: ElementNode, forced: ForcedStates, parent: ElementStyle | undefined): ElementStyle {
    const { fixed, stateful } = this.entriesFor(element);
    const context = { stateOf: (node: ElementNode) => forced.bits.get(node) ?? 0, quirks: this.tree.quirks };
    const matched = stateful.filter((entry) => matches(entry.selector, element, context));
    const key = `${parent?.serial ?? 0}:${matched.map((entry) => entry.order).join(',')}`;
    let styles = this.shared.get(element);
    if (!styles) this.shared.set(element, (styles = new Map()));
    let style = styles.get(key);
    if (!style) {
      style = new ElementStyle(this.nextStyle++, element, [...fixed, ...matched], parent, this.environment);
      styles.set(key, style);
    }
    return style;
  }

  /** Every entry that could apply to the element in some state. */
  possibleEntries(element: ElementNode): readonly RuleEntry[] {
    const { fixed, stateful } = this.entriesFor(element);
    return [...fixed, ...stateful];
  }
}

/** A page seen in one set of forced states. */
export class StyledPage {
  private readonly cache = new Map<ElementNode, ElementStyle>();

  constructor(
    readonly styles: PageStyles,
    readonly forced: ForcedStates,
  ) {}

  of(element: ElementNode): ElementStyle {
    let style = this.cache.get(element);
    if (!style) {
      const parent = element.parent ? this.of(element.parent) : undefined;
      style = this.styles.styleOf(element, this.forced, parent);
      this.cache.set(element, style);
    }
    return style;
  }
}

/** The style of one element in one state; every value is worked out when it is first asked for. */
export class ElementStyle {
  private readonly lists = new Map<string, Applied[]>();
  private readonly custom = new Map<string, string | undefined>();
  private readonly resolving = new Set<string>();
  private readonly texts = new Map<string, string>();
  private gathered = false;

  constructor(
    readonly serial: number,
    readonly element: ElementNode,
    private readonly entries: readonly RuleEntry[],
    readonly parent: ElementStyle | undefined,
    readonly environment: Environment,
  ) {}

  private gather(): void {
    if (this.gathered) return;
    this.gathered = true;
    const put = (applied: Applied) => {
      const list = this.lists.get(applied.declaration.property);
      if (list) list.push(applied);
      else this.lists.set(applied.declaration.property, [applied]);
    };
    // A rule with several matching selectors counts once, by the strongest.
    const best = new Map<unknown, RuleEntry>();
    for (const entry of this.entries) {
      if (entry.selector.pseudoElement) continue;
      const known = best.get(entry.rule);
      if (!known || compareSpecificity(entry.selector.specificity, known.selector.specificity) > 0) {
        best.set(entry.rule, entry);
      }
    }
    for (const entry of best.values()) {
      for (const declaration of entry.rule.declarations) {
        const { rule, selector, origin, layer, order } = entry;
        put({ declaration, origin, inline: false, layer, specificity: selector.specificity, order, rule, selector });
      }
    }
    for (const applied of inlineDeclarations(this.element)) put(applied);
    for (const list of this.lists.values()) if (list.length > 1) list.sort(compareApplied);
  }

  /** Declarations in the running for a property, weakest first. */
  running(property: string): readonly Applied[] {
    this.gather();
    return this.lists.get(property) ?? [];
  }

  /** The declaration that wins, CSS-wide reverting followed; undefined when none applies. */
  winner(property: string): Applied | undefined {
    let list = this.running(property);
    for (;;) {
      const last = list.at(-1);
      const word = last?.declaration.value;
      if (!last) return undefined;
      if (word === 'revert') list = list.filter((other) => other.origin === 'browser' && last.origin === 'author');
      else if (word === 'revert-layer') {
        list = list.slice(0, -1).filter((other) => other.inline !== last.inline || other.layer !== last.layer);
      } else return last;
    }
  }

  /** Names of the properties that some declaration sets. */
  get declaredProperties(): string[] {
    this.gather();
    return [...this.lists.keys()];
  }

  /** A custom property's value, its own references resolved; undefined when not set, invalid or in a cycle. */
  customProperty(name: string): string | undefined {
    if (this.custom.has(name)) return this.custom.get(name);
    if (this.resolving.has(name)) return undefined;
    this.resolving.add(name);
    const winner = this.winner(name);
    const declared = winner?.declaration.value;
    const wide = declared?.toLowerCase();
    let value: string | undefined;
    if (declared === undefined || wide === 'inherit' || wide === 'unset') value = this.parent?.customProperty(name);
    else if (wide === 'initial') value = undefined;
    else value = substitute(declared, (other) => this.customProperty(other));
    this.resolving.delete(name);
    this.custom.set(name, value);
    return value;
  }

  /** The declared text with var() put in, or a CSS-wide keyword; undefined when nothing valid is declared. */
  private specified(property: string): string | undefined {
    const winner = this.winner(property);
    if (!winner) return undefined;
    const { value, shorthand } = winner.declaration;
    const substituted = substitute(value, (name) => this.customProperty(name));
    if (substituted === undefined) return 'unset';
    if (substituted === value) return value;
    const text = substituted.trim();
    if (CSS_WIDE.has(text.toLowerCase())) return text.toLowerCase();
    if (shorthand) return expandShorthand(shorthand, text)?.[property] ?? 'unset';
    return isValidText(property, text) ? text : 'unset';
  }

  /**
   * Text that declares the same value again in a rule of its own: the author's words where they can stand alone,
   * `revert` where the browser's sheet decides, `unset` where nothing does.
   */
  restated(property: string): string {
    const winner = this.winner(property);
    if (!winner) return 'unset';
    if (winner.origin === 'browser') return 'revert';
    if (winner.declaration.shorthand) return this.specified(property) ?? 'unset';
    return winner.declaration.value;
  }

  /** What a declared text would compute to for this property, here. */
  computedFrom(property: string, declared: string): string {
    const substituted = substitute(declared, (name) => this.customProperty(name))?.trim();
    const wide = substituted?.toLowerCase();
    if (wide === 'revert' || wide === 'revert-layer') return this.text(property);
    const valid = substituted !== undefined && (CSS_WIDE.has(wide!) || isValidText(property, substituted));
    return this.computeFrom(property, valid ? (CSS_WIDE.has(wide!) ? wide! : substituted) : 'unset');
  }

  /** The computed value as CSS text. */
  text(property: string): string {
    const known = this.texts.get(property);
    if (known !== undefined) return known;
    const value = this.compute(property);
    this.texts.set(property, value);
    return value;
  }

  private compute(property: string): string {
    return this.computeFrom(property, this.specified(property));
  }

  private computeFrom(property: string, specified: string | undefined): string {
    const info = propertyInfo(property);
    let text = specified;
    if (text === undefined || text === 'unset' || text === 'revert') text = info.inherited ? 'inherit' : 'initial';
    if (text === 'inherit') {
      if (this.parent) return this.parent.text(property);
      text = 'initial';
    }
    if (text === 'initial') text = info.initial;
    switch (info.kind) {
      case 'colour':
        return this.computeColour(property, text);
      case 'font-size': {
        const parent = this.parent ? this.parent.fontSize : 16;
        const px = fontSizeToPx(text, { ...this.basis(parent), em: parent, rem: this.isRoot ? 16 : this.rootFontSize });
        return `${px ?? parent}px`;
      }
      case 'font-weight':
        return String(fontWeight(text, this.parent ? this.parent.fontWeight : 400) ?? 400);
      case 'line-width':
        return this.computeLineWidth(property, text);
      default:
        return text.toLowerCase();
    }
  }

  private computeColour(property: string, text: string): string {
    const word = text.toLowerCase();
    if (word === 'currentcolor') {
      if (property === 'color') return this.parent ? this.parent.text('color') : toCssRgb(BLACK);
      return this.text('color');
    }
    const scheme = /^light-dark\((.*)\)$/.exec(word);
    if (scheme) {
      const parsed = parseColour(splitTopLevel(scheme[1]!)[0] ?? '');
      if (parsed) return toCssRgb(parsed);
    }
    const colour = parseColour(text);
    return colour ? toCssRgb(colour) : word;
  }

  private computeLineWidth(property: string, text: string): string {
    const style = this.text(property.replace(/-width$/, '-style'));
    if (style === 'none' || style === 'hidden') return '0px';
    const words: Readonly<Record<string, number>> = { thin: 1, medium: 3, thick: 5 };
    const px = words[text.toLowerCase()] ?? this.toPx(text) ?? 0;
    // Widths snap to whole device pixels, at least one when not zero (CSS Backgrounds 4, section 3.3).
    return `${px > 0 && px < 1 ? 1 : Math.floor(px)}px`;
  }

  private get isRoot(): boolean {
    return this.parent === undefined;
  }

  private get rootFontSize(): number {
    return this.parent ? this.parent.rootFontSize : this.fontSize;
  }

  private basis(em: number): LengthBasis {
    return { em, rem: 16, vw: this.environment.width, vh: this.environment.height };
  }

  /** Pixels of a length in this element's context; undefined for what layout alone decides. */
  toPx(text: string): number | undefined {
    return lengthToPx(text, { ...this.basis(this.fontSize), rem: this.rootFontSize });
  }

  /** The computed colour as painted; transparent for values that are no colour (`auto`, `none`). */
  colour(property: string): Rgba {
    return parseColour(this.text(property)) ?? TRANSPARENT;
  }

  /** In CSS pixels. */
  get fontSize(): number {
    return Number.parseFloat(this.text('font-size'));
  }

  get fontWeight(): number {
    return Number(this.text('font-weight'));
  }
}

function isValidText(property: string, text: string): boolean {
  const parsed = parseValue(text);
  return parsed !== undefined && isValidValue(property, parsed);
}

function splitTopLevel(text: string): string[] {
  const parts: string[] = [''];
  let depth = 0;
  for (const character of text) {
    if (character === ',' && depth === 0) parts.push('');
    else {
      if (character === '(') depth++;
      if (character === ')') depth--;
      parts[parts.length - 1] += character;
    }
  }
  return parts;
}
