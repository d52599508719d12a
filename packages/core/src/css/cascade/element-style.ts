import { printNumber } from '../../base/number.js';
import { parseColour } from '../../colour/parse.js';
import { TRANSPARENT, type Rgba } from '../../colour/rgba.js';
import type { ElementNode } from '../../tree/tree.js';
import type { Environment } from '../conditions/environment.js';
import { flowOf, HORIZONTAL_FLOW, type Flow } from '../property/logical.js';
import { propertyInfo, type PropertyInfo } from '../property/table.js';
import { CSS_WIDE, expandShorthand, isValidValue, parseValue } from '../sheet/declaration.js';
import type { RegisteredProperty } from '../sheet/sheet.js';
import { evaluate, single } from '../values/calc.js';
import { ValueContext, type FontMetrics, type ValueSource } from '../values/context.js';
import { MEDIUM, readFontWeight, type FontSize } from '../values/font.js';
import { adjust } from './adjust.js';
import type { Applied } from './applied.js';
import { CustomProperties, environmentVariable } from './custom.js';
import { dependsOnHistory, mixedWith } from './visited.js';
import { isMarkWidget, isSlotted, widgetHere } from './element-facts.js';
import { resolvedValue } from './resolved-value.js';
import type { RuleSet } from './rule-set.js';
import type { StyleHost } from './style-host.js';
import { StyleSource, type SourceStyle } from './style-source.js';
import { substitute } from './substitute.js';
import { lineHeightOf, metricsOf, schemeOf, sizeOf } from './used-font.js';
import type { Widget } from './widget.js';

const MAX_STEADY = 20_000;
/** What decides the flow, and so cannot depend on it. */
const FLOWLESS: ReadonlySet<string> = new Set(['direction', 'writing-mode']);

/** The style of one element in one state; every value is worked out when it is first asked for. */
export class ElementStyle implements SourceStyle {
  private readonly computedTexts: (string | undefined)[] = [];
  private custom: CustomProperties | undefined;
  private substitutedTexts: Map<string, string> | undefined;
  private ownFlow: Flow | undefined;
  private ownSize: FontSize | undefined;
  /** A style with the same values but for colours, which was there before; this one itself where there is none. */
  readonly shape: ElementStyle;

  constructor(
    readonly serial: number,
    /** @internal */
    readonly element: ElementNode,
    /** Name of the pseudo-element that this is the style of. */
    readonly pseudo: string | undefined,
    private readonly rules: RuleSet,
    readonly parent: ElementStyle | undefined,
    private readonly page: StyleHost,
    like?: ElementStyle,
    /** The same element as if its link had not been visited, where rules for visited ones match it. */
    private readonly unvisited?: ElementStyle,
  ) {
    // The browser draws such a box as its colours ask.
    this.shape = like && !isMarkWidget(this) ? like.shape : this;
  }

  get environment(): Environment {
    return this.page.environment;
  }

  /** @internal */
  belongsTo(page: StyleHost): boolean {
    return this.page === page || page.takesFrom(this.page);
  }

  /** Which way text runs, as `writing-mode` and `direction` say; those two are never logical themselves. */
  private get flow(): Flow {
    if (this.shape !== this) return this.shape.flow;
    if (!this.ownFlow) {
      this.ownFlow = HORIZONTAL_FLOW;
      this.ownFlow = flowOf(this.computed('writing-mode'), this.declaredValue('direction'));
    }
    return this.ownFlow;
  }

  private flowFor(property: string): Flow {
    if (this.shape !== this) return this.shape.flowFor(property);
    if (this.ownFlow) return this.ownFlow;
    return FLOWLESS.has(property) || property.startsWith('--') ? HORIZONTAL_FLOW : this.flow;
  }

  /** Declarations in the running for a property, weakest first. */
  running(property: string): readonly Applied[] {
    if (this.unvisited && !dependsOnHistory(property)) return this.unvisited.running(property);
    return this.rules.running(property, this.flowFor(property));
  }

  /** The declaration that wins, CSS-wide reverting followed; undefined when none applies. */
  winner(property: string): Applied | undefined {
    if (this.unvisited && !dependsOnHistory(property)) return this.unvisited.winner(property);
    return this.rules.winner(property, this.flowFor(property));
  }

  /** True when the property takes the parent's value where nothing is declared. */
  inherits(property: string): boolean {
    return this.parent !== undefined && propertyInfo(property).inherited;
  }

  /** Names of the properties that some declaration sets. */
  get declaredProperties(): string[] {
    return [...this.rules.declared];
  }

  /** @internal */
  registered(name: string): RegisteredProperty | undefined {
    return this.page.registered(name);
  }

  /** A custom property's value, its own references resolved; undefined when not set, invalid or in a cycle. */
  customProperty(name: string): string | undefined {
    if (this.unvisited) return this.unvisited.customProperty(name);
    if (!this.custom) this.custom = new CustomProperties(this);
    return this.custom.get(name);
  }

  private substituted(text: string): string | undefined {
    const known = this.substitutedTexts?.get(text);
    if (known !== undefined) return known;
    const value = this.substituteAfresh(text);
    if (value !== undefined) (this.substitutedTexts ??= new Map()).set(text, value);
    return value;
  }

  private substituteAfresh(text: string): string | undefined {
    return substitute(text, { property: (name) => this.customProperty(name), environment: environmentVariable });
  }

  /** The declared text with var() put in, or a CSS-wide keyword; undefined when nothing valid is declared. */
  private specified(property: string, winner: Applied): string {
    const { value, shorthand, substitutes } = winner.declaration;
    if (!substitutes) return value;
    const substituted = this.substituted(value);
    if (substituted === undefined) return 'unset';
    if (substituted === value) return value;
    const text = substituted.trim();
    if (CSS_WIDE.has(text.toLowerCase())) return text.toLowerCase();
    if (shorthand) {
      const longhands = expandShorthand(shorthand, text);
      return longhands?.[winner.declaration.property] ?? longhands?.[property] ?? 'unset';
    }
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
    if (winner.declaration.shorthand) return this.specified(property, winner);
    return winner.declaration.value;
  }

  /** What a declared text would compute to for this property, here. */
  computedFrom(property: string, declared: string): string {
    const substituted = this.substituted(declared)?.trim();
    const wide = substituted?.toLowerCase();
    if (wide === 'revert' || wide === 'revert-layer') return this.text(property);
    const valid = substituted !== undefined && (CSS_WIDE.has(wide!) || isValidText(property, substituted));
    const specified = valid ? (CSS_WIDE.has(wide!) ? wide! : substituted) : 'unset';
    const info = propertyInfo(property);
    if (property === 'font-size') return px(this.readSize(specified).px);
    const own = this.followed(info, specified);
    const value = own === undefined ? this.takenValue(info) : this.compute(info, own, this.winner(property));
    return resolvedValue(this, info, adjust(this, property, value));
  }

  /** The computed value as CSS text, in the form in which it is inherited. */
  computed(property: string): string {
    return property.startsWith('--') ? this.customText(property) : this.computedOf(propertyInfo(property));
  }

  private customText(name: string): string {
    return this.customProperty(name)?.trim() ?? '';
  }

  private computedOf(info: PropertyInfo): string {
    if (this.shape !== this && !info.holdsColour) return this.shape.computedOf(info);
    if (this.unvisited && !dependsOnHistory(info.name)) return this.unvisited.computedOf(info);
    const known = this.computedTexts[info.id];
    if (known !== undefined) return known;
    if (this.unvisited) return (this.computedTexts[info.id] = this.visitedColour(info, this.unvisited));
    return this.ownOf(info);
  }

  /** A colour that the history has a say in, put together from both styles. */
  private visitedColour(info: PropertyInfo, unvisited: ElementStyle): string {
    const own = this.declaredColour(info);
    if (!own) return this.ownOf(info);
    return mixedWith(unvisited.colour(info.name), own, info.name) ?? unvisited.text(info.name);
  }

  private declaredColour(info: PropertyInfo): Rgba | undefined {
    const text = this.ownOf(info);
    if (text.toLowerCase() === 'currentcolor' && info.name !== 'color')
      return this.declaredColour(propertyInfo('color'));
    return parseColour(text);
  }

  private ownOf(info: PropertyInfo): string {
    const adjusts = info.adjusted === 'always' || (info.adjusted === 'box' && isMarkWidget(this));
    // What neither the parent nor other properties can change is the same for all elements of these rules.
    const snapsHere = info.snaps && this.environment.resolution !== 1;
    const shareable = !info.inherited && !adjusts && !snapsHere && this.flow === HORIZONTAL_FLOW;
    const shared = shareable ? this.rules.steady[info.id] : undefined;
    if (shared !== undefined) return shared;
    const winner = this.winner(info.name);
    const text = this.ownText(info, winner);
    const declared = text === undefined ? this.takenValue(info) : this.compute(info, text, winner);
    if (shareable && text !== undefined && this.isSteady(info, text, winner)) {
      this.rules.steady[info.id] = declared;
      return declared;
    }
    const value = adjusts ? adjust(this, info.name, declared) : declared;
    if (!this.unvisited) this.computedTexts[info.id] = value;
    return value;
  }

  private declaredOf(info: PropertyInfo): string {
    if (this.unvisited && !dependsOnHistory(info.name)) return this.unvisited.declaredOf(info);
    const winner = this.winner(info.name);
    const text = this.ownText(info, winner);
    return text === undefined ? this.takenValue(info) : this.compute(info, text, winner);
  }

  /** @internal The computed value before other properties have their say. */
  declaredValue(property: string): string {
    return property.startsWith('--') ? this.customText(property) : this.declaredOf(propertyInfo(property));
  }

  /** The value as CSSOM gives it for a computed style; what only layout knows stays as computed. */
  text(property: string): string {
    if (property.startsWith('--')) return this.customText(property);
    const info = propertyInfo(property);
    return resolvedValue(this, info, this.computedOf(info));
  }

  /** The text that a value is computed from here; undefined where it is taken over as it is. */
  private ownText(info: PropertyInfo, winner: Applied | undefined): string | undefined {
    return this.followed(info, winner && this.specified(info.name, winner));
  }

  /** The same of a text that is specified, its CSS-wide keywords followed (CSS Cascade 5, section 7.3). */
  private followed(info: PropertyInfo, specified: string | undefined): string | undefined {
    if (info.name === 'font-size') return undefined;
    let text = specified;
    if (text === undefined || text === 'unset' || text.startsWith('revert')) {
      text = info.inherited ? 'inherit' : 'initial';
    }
    if (text === 'inherit' && this.parent) {
      // Between the two stands a slot of the browser's own, which has initial values.
      if (info.inherited || !isSlotted(this)) return undefined;
      if (info.name === 'display') return 'contents';
    }
    return text === 'inherit' || text === 'initial' ? info.initial : text;
  }

  /** The value that is not computed here: the parent's, or the size of the font, which is read by itself. */
  private takenValue(info: PropertyInfo): string {
    return info.name === 'font-size' ? px(this.size.px) : this.parent!.computedOf(info);
  }

  /** Whether a text that was computed asked nothing of this element's place. */
  private isSteady(info: PropertyInfo, text: string, winner: Applied | undefined): boolean {
    return this.keeps(info) && info.steady.has(text) && !winner?.declaration.substitutes;
  }

  private keeps({ snaps }: PropertyInfo): boolean {
    return !snaps || this.environment.resolution === 1;
  }

  private compute(info: PropertyInfo, text: string, winner: Applied | undefined): string {
    const keeps = this.keeps(info);
    const kept = keeps ? info.steady.get(text) : undefined;
    if (kept !== undefined) return kept ?? text;
    const value = parseValue(text);
    if (!value) return text;
    const context = new ValueContext(this.source(info.name, winner));
    const nodes = value.children.toArray();
    if (info.name === 'font-weight') {
      return printNumber(readFontWeight(nodes, this.parent ? this.parent.fontWeight : 400, context));
    }
    let result = info.compute(nodes, context);
    if (info.name === 'color' && result === 'currentcolor') {
      context.asked = true;
      result = this.parent ? this.parent.computed('color') : 'rgb(0, 0, 0)';
    }
    if (!context.asked && keeps) {
      if (info.steady.size > MAX_STEADY) info.steady.clear();
      info.steady.set(text, result ?? null);
    }
    return result ?? text;
  }

  /** @internal Runs a computation with this element as what relative values refer to. */
  inContext<T>(run: (context: ValueContext) => T): T {
    return run(new ValueContext(this.source('width', undefined)));
  }

  private source(property: string, winner: Applied | undefined): ValueSource {
    const fromParent = property === 'font-size' || property === 'line-height';
    return this.sourceFor(this, fromParent, winner?.rule?.base ?? this.page.known.base);
  }

  private sourceFor(style: ElementStyle | undefined, lineOfParent: boolean, base?: string): StyleSource {
    const { environment, page } = this;
    return new StyleSource(style, lineOfParent, base, environment, (what) => page.noteUnresolved(what));
  }

  private get isMonospace(): boolean {
    return this.computed('font-family') === 'monospace';
  }

  /** The font size with what browsers remember of it. */
  get size(): FontSize {
    if (this.shape !== this) return this.shape.size;
    if (this.ownSize) return this.ownSize;
    const winner = this.winner('font-size');
    return (this.ownSize = this.readSize(winner && this.specified('font-size', winner)));
  }

  private readSize(declared: string | undefined): FontSize {
    return sizeOf({
      declared,
      parent: this.parent?.size ?? MEDIUM,
      wasMonospace: this.parent?.isMonospace ?? false,
      isMonospace: this.isMonospace,
      context: () => new ValueContext(this.sourceFor(this.parent, true)),
    });
  }

  /** @internal Display of the nearest ancestor with a box, which lays this element out. */
  get boxParentDisplay(): string {
    let style = this.parent;
    while (style && style.computed('display') === 'contents') style = style.parent;
    return style?.computed('display') ?? 'block';
  }

  /** @internal What sort of control the browser draws here; undefined where it draws none. */
  get drawn(): Widget | undefined {
    const widget = widgetHere(this);
    return widget && this.computed('appearance') !== 'none' ? widget : undefined;
  }

  /** @internal */
  get root(): ElementStyle {
    let style: ElementStyle = this as ElementStyle;
    while (style.parent) style = style.parent;
    return style;
  }

  /** @internal Line height in pixels; undefined when only the font knows it. */
  get lineHeightPx(): number | undefined {
    return lineHeightOf(this);
  }

  /** @internal Metrics of the first family that has any. */
  get metrics(): FontMetrics | undefined {
    const { fonts } = this.page.known;
    return fonts && metricsOf(this.computed('font-family'), fonts);
  }

  /** @internal The scheme that colours of this element are painted in (CSS Color Adjustment 1, section 2.2). */
  get scheme(): 'light' | 'dark' {
    return schemeOf(this.computed('color-scheme'), this.environment.scheme);
  }

  /** Pixels of a length in this element's context; undefined for what layout alone decides. */
  toPx(text: string): number | undefined {
    const value = parseValue(text);
    const only = value?.children.size === 1 ? value.children.first : undefined;
    const amount = only && evaluate(only, new ValueContext(this.source('width', undefined)));
    const one = amount && single(amount);
    return one && (one.unit === 'px' || one.unit === '') ? one.value : undefined;
  }

  /** The computed colour as painted; transparent for values that are no colour (`auto`, `none`). */
  colour(property: string): Rgba {
    return parseColour(this.text(property)) ?? TRANSPARENT;
  }

  /** In CSS pixels. */
  get fontSize(): number {
    return this.size.px;
  }

  get fontWeight(): number {
    return Number(this.computed('font-weight'));
  }
}

const px = (value: number) => `${printNumber(value)}px`;

function isValidText(property: string, text: string): boolean {
  const parsed = parseValue(text);
  return parsed !== undefined && isValidValue(property, parsed);
}
