import { parseColour } from '../colour/parse.js';
import { TRANSPARENT, type Rgba } from '../colour/rgba.js';
import { ancestors, type ElementNode, type PageTree } from '../page/tree.js';
import { adjust } from './adjust.js';
import { inlineDeclarations, type Applied } from './applied.js';
import { answerContainer, containerFor, type ContainerSize } from './container.js';
import { CustomProperties, environmentVariable } from './custom.js';
import { CSS_WIDE, expandShorthand, isValidValue, parseValue } from './declaration.js';
import type { Environment } from './environment.js';
import { AT_REST, contextOf, type ForcedStates } from './forced.js';
import { hintDeclarations } from './hints/index.js';
import { flowOf, HORIZONTAL_FLOW, type Flow } from './property/logical.js';
import { propertyInfo, type PropertyInfo } from './property/table.js';
import { RuleSet } from './rule-set.js';
import {
  EnvironmentRules,
  OF_ELEMENT,
  RuleIndex,
  matchEntry,
  type CascadeSheet,
  strongestOfEachRule,
  type MatchedEntry,
  type PageRules,
  type RuleEntry,
  type RuleSets,
} from './rules.js';
import { RevisedRules } from './revised-rules.js';
import { isListBox } from './selector/form-state.js';
import type { MatchContext } from './selector/types.js';
import type { RegisteredProperty } from './sheet.js';
import { substitute } from './substitute.js';
import { evaluate, single } from './values/calc.js';
import { ValueContext, type FontMetrics, type FontMetricsTable, type ValueSource } from './values/context.js';
import { adjustForFamily, MEDIUM, readFontSize, readFontWeight, type FontSize } from './values/font.js';
import { printNumber } from './values/number.js';
import { splitTopLevel } from './values/split.js';
import { widgetOf, type Widget } from './widget.js';

/** What CSS alone does not tell, given to the core as input. */
export interface KnownMeasures {
  readonly fonts?: FontMetricsTable | undefined;
  /** Content sizes of elements that are containers. */
  readonly containers?: ReadonlyMap<ElementNode, ContainerSize> | undefined;
  /** Address that url() in style attributes refer to. */
  readonly base?: string | undefined;
}

/** Numbers of styles and of their rules, unique across pages, since one page may take over what another worked out. */
let serials = 0;

/** Resolves a page's elements in one environment, in any forced state. Parsed once, asked often. */
export class PageStyles {
  readonly tree: PageTree;
  readonly rules: EnvironmentRules;
  private readonly revision: RevisedRules | undefined;
  private readonly ruleSets: RuleSets;
  private readonly styles = new Map<string, ElementStyle>();
  private readonly active = new Map<ElementNode, { fixed: readonly RuleEntry[]; stateful: readonly RuleEntry[] }>();
  private readonly views = new WeakMap<ForcedStates, StyledPage>();
  private readonly matched = new WeakMap<ForcedStates, Map<string, readonly MatchedEntry[]>>();
  private readonly registry: ReadonlyMap<string, RegisteredProperty>;
  private readonly unknown = new Set<string>();
  private readonly unresolved = new Set<string>();
  private readonly plains = new Map<ElementNode, Plain | null>();

  constructor(
    readonly index: PageRules,
    readonly environment: Environment,
    readonly known: KnownMeasures = {},
    /** Styles in the same environment of the page that the index was made from, whose work is taken over. */
    private readonly base?: PageStyles,
  ) {
    this.tree = index.tree;
    this.revision = index instanceof RevisedRules && base ? index : undefined;
    this.rules = this.revision
      ? base!.rules
      : index instanceof RuleIndex
        ? index.in(environment)
        : new EnvironmentRules(index, environment);
    // Where no layers are ordered by conditions, what wins among the same rules is the same in every environment.
    this.ruleSets = index.layered ? new Map<string, RuleSet>() : index.ruleSets;
    this.registry = this.revision ? base!.registry : registryOf(index.sheets);
  }

  /** Container queries met so far whose container's size is not known; their rules are left out. */
  get unknownConditions(): ReadonlySet<string> {
    return this.unknown;
  }

  /** Units and functions met so far that CSS and the given measures do not resolve. */
  get unresolvedUnits(): ReadonlySet<string> {
    return this.unresolved;
  }

  /** @internal True when styles of the other are handed out as this one's own. */
  takesFrom(other: PageStyles): boolean {
    return this.base !== undefined && (this.base === other || this.base.takesFrom(other));
  }

  /** @internal */
  registered(name: string): RegisteredProperty | undefined {
    return this.registry.size ? this.registry.get(name) : undefined;
  }

  /** @internal */
  noteUnresolved(what: string): void {
    this.unresolved.add(what);
  }

  /**
   * The page with states forced on some of its elements; where what a page was made from looks the same in them, its own
   * view of them.
   */
  at(forced: ForcedStates = AT_REST): StyledPage {
    let view = this.views.get(forced);
    if (!view) {
      const before = this.revision && this.base!.at(forced);
      const shape = this.revision?.isColourOnlyIn(forced) ? before?.shape : undefined;
      view = before && !this.revision!.differsIn(forced) ? before : new StyledPage(this, forced, shape);
      this.views.set(forced, view);
    }
    return view;
  }

  private activeOf(element: ElementNode): { fixed: readonly RuleEntry[]; stateful: readonly RuleEntry[] } {
    if (this.base && !this.index.differsFor(element)) return this.base.activeOf(element);
    let found = this.active.get(element);
    if (!found) {
      const { fixed, stateful } = this.index.matchesOf(element);
      const isActive = (entry: RuleEntry) => this.rules.isActive(entry);
      this.active.set(element, (found = { fixed: fixed.filter(isActive), stateful: stateful.filter(isActive) }));
    }
    return found;
  }

  /** Every entry that could apply to the element or its pseudo-elements in some state. */
  possibleEntries(element: ElementNode): readonly RuleEntry[] {
    const { fixed, stateful } = this.activeOf(element);
    return [...fixed, ...stateful];
  }

  /** Rules that match an element, or one of its pseudo-elements, in forced states. */
  private matchedFor(
    element: ElementNode,
    pseudo: string | undefined,
    forced: ForcedStates,
    inside: ElementStyle | undefined,
  ): readonly MatchedEntry[] {
    if (!this.revision) return this.matchedOf(element, pseudo, forced, inside);
    // Most of the rules are those of the page that this one was made from, and match as they did there.
    const before = this.base!.matchedOf(element, pseudo, forced, inside);
    const matched = before.filter(({ entry }) => this.revision!.keeps(entry));
    for (const entry of this.revision.addedFor(element)) {
      if (this.rules.isActive(entry)) this.take(matched, entry, false, element, pseudo, forced, inside);
    }
    return matched;
  }

  /** The same, kept where nothing but the forced states has a say. */
  private matchedOf(
    element: ElementNode,
    pseudo: string | undefined,
    forced: ForcedStates,
    inside: ElementStyle | undefined,
  ): readonly MatchedEntry[] {
    let known = this.matched.get(forced);
    if (!known) this.matched.set(forced, (known = new Map()));
    const key = pseudo === undefined ? `${element.order}` : `${element.order} ${pseudo}`;
    const kept = known.get(key);
    if (kept) return kept;
    const matched = this.matchAfresh(element, pseudo, forced, inside);
    if (!this.asksContainers(element)) known.set(key, matched);
    return matched;
  }

  private asksContainers(element: ElementNode): boolean {
    const { fixed, stateful } = this.activeOf(element);
    return [fixed, stateful].some((list) => list.some(({ containers }) => containers.length > 0));
  }

  private matchAfresh(
    element: ElementNode,
    pseudo: string | undefined,
    forced: ForcedStates,
    inside: ElementStyle | undefined,
  ): MatchedEntry[] {
    const { fixed, stateful } = this.activeOf(element);
    const matched: MatchedEntry[] = [];
    for (const entry of fixed) this.take(matched, entry, true, element, pseudo, forced, inside);
    for (const entry of stateful) this.take(matched, entry, false, element, pseudo, forced, inside);
    return matched;
  }

  /** Adds an entry where it matches; `checked` when its selector is known to. */
  private take(
    matched: MatchedEntry[],
    entry: RuleEntry,
    checked: boolean,
    element: ElementNode,
    pseudo: string | undefined,
    forced: ForcedStates,
    inside: ElementStyle | undefined,
  ): void {
    const { selector } = entry;
    if (selector.pseudoElement !== pseudo) return;
    if (pseudo !== undefined) {
      const bits = forced.pseudo?.get(element) ?? forced.bits.get(element) ?? 0;
      if (!selector.pseudoTests.every((test) => test(bits))) return;
    }
    let proximity: number | undefined = Infinity;
    if (!checked || entry.rule.scope) {
      proximity = matchEntry(entry, element, contextOf(forced, this.tree.quirks));
    }
    if (proximity === undefined) return;
    if (entry.containers.length && !this.containersHold(entry, element, pseudo, inside)) return;
    matched.push({ entry, proximity });
  }

  private containersHold(
    entry: RuleEntry,
    element: ElementNode,
    pseudo: string | undefined,
    inside: ElementStyle | undefined,
  ): boolean {
    const path = pseudo === undefined ? ancestors(element) : [element, ...ancestors(element)];
    const chain: { style: ElementStyle; known: ContainerSize | undefined }[] = [];
    let style = inside;
    for (const node of path) {
      if (!style) break;
      chain.push({ style, known: this.known.containers?.get(node) });
      style = style.parent;
    }
    return entry.containers.every((condition) => {
      const answer = answerContainer(condition, chain);
      if (answer === undefined) this.unknown.add(`@container ${condition.text}`);
      return answer === true;
    });
  }

  /**
   * @internal The style of an element or pseudo-element under that of its parent. Where no added rule has a say, neither
   * here nor further up, it is that of the page that this one extends.
   */
  styleOf(
    element: ElementNode,
    pseudo: string | undefined,
    forced: ForcedStates,
    parent: ElementStyle | undefined,
  ): ElementStyle {
    const { base } = this;
    if (base && (!parent || parent.belongsTo(base)) && !this.index.differsAt(element, pseudo, forced)) {
      return base.at(forced).of(element, pseudo);
    }
    return this.ownStyleOf(element, pseudo, forced, parent);
  }

  /** A style is shared by all elements and states in which the same rules match under the same parent. */
  private ownStyleOf(
    element: ElementNode,
    pseudo: string | undefined,
    forced: ForcedStates,
    parent: ElementStyle | undefined,
  ): ElementStyle {
    if (pseudo === undefined && !this.revision) {
      const plain = this.plainOf(element);
      if (plain && this.isAtRest(plain, element, forced)) {
        let style = plain.styles.get(parent);
        if (!style) plain.styles.set(parent, (style = this.intern(element, undefined, plain.rules, parent, forced)));
        return style;
      }
    }
    const matched = this.matchedFor(element, pseudo, forced, parent);
    return this.intern(element, pseudo, this.ruleSetFor(element, pseudo, matched), parent, forced);
  }

  /** What holds for an element at rest; undefined where containers have a say. */
  private plainOf(element: ElementNode): Plain | undefined {
    let plain = this.plains.get(element);
    if (plain === undefined && this.base && !this.index.differsFor(element)) {
      const known = this.base.plainOf(element);
      this.plains.set(element, (plain = known ? { ...known, styles: new Map() } : null));
    } else if (plain === undefined) {
      const { fixed, stateful } = this.activeOf(element);
      const moving = stateful.filter((entry) => entry.selector.pseudoElement === undefined);
      const asks = [...fixed, ...moving].some(
        (entry) => entry.selector.pseudoElement === undefined && entry.containers.length > 0,
      );
      if (asks) plain = null;
      else {
        const matched = this.matchedFor(element, undefined, AT_REST, undefined);
        plain = {
          rules: this.ruleSetFor(element, undefined, matched),
          moving,
          matchedAtRest: new Set(matched.map(({ entry }) => entry)),
          styles: new Map(),
        };
      }
      this.plains.set(element, plain);
    }
    return plain ?? undefined;
  }

  /** True when the forced states match no other rules for the element than rest does. */
  private isAtRest(plain: Plain, element: ElementNode, forced: ForcedStates): boolean {
    let context: MatchContext | undefined;
    for (const entry of plain.moving) {
      if (!(entry.selector.states & forced.union)) continue;
      context ??= contextOf(forced, this.tree.quirks);
      const matches = matchEntry(entry, element, context) !== undefined;
      if (matches !== plain.matchedAtRest.has(entry)) return false;
    }
    return true;
  }

  private ruleSetFor(element: ElementNode, pseudo: string | undefined, matched: readonly MatchedEntry[]): RuleSet {
    const hints = pseudo === undefined ? hintDeclarations(element) : [];
    const inline = pseudo === undefined ? inlineDeclarations(element) : [];
    const slotted = element.parent?.name === 'details' || element.name === 'option';
    const usesElement =
      slotted || hints.length > 0 || inline.length > 0 || matched.some(({ entry }) => entry.rule.asksAttribute);
    let key = usesElement ? `${OF_ELEMENT}${element.order}${pseudo ?? ''}:` : '';
    for (const { entry, proximity } of matched) {
      key += proximity === Infinity ? `${entry.index},` : `${entry.index}@${proximity},`;
    }
    let rules = this.ruleSets.get(key);
    if (!rules) {
      rules = new RuleSet(++serials, strongestOfEachRule(matched), this.rules, [...hints, ...inline]);
      this.ruleSets.set(key, rules);
    }
    return rules;
  }

  private intern(
    element: ElementNode,
    pseudo: string | undefined,
    rules: RuleSet,
    parent: ElementStyle | undefined,
    forced: ForcedStates,
  ): ElementStyle {
    const key = `${parent?.serial ?? 0}:${rules.serial}:${pseudo ?? ''}`;
    let style = this.styles.get(key);
    if (!style) {
      const like = this.revision?.isColourOnlyIn(forced) ? this.base!.at(forced).of(element, pseudo) : undefined;
      style = new ElementStyle(++serials, element, pseudo, rules, parent, this, like);
      this.styles.set(key, style);
    }
    return style;
  }
}

/** Custom properties that sheets register; of several the last counts. */
const registryOf = (sheets: readonly CascadeSheet[]): ReadonlyMap<string, RegisteredProperty> =>
  new Map(sheets.flatMap(({ sheet }) => sheet.registered.map((property) => [property.name, property] as const)));

/** An element's rules and styles at rest. */
interface Plain {
  readonly rules: RuleSet;
  /** Entries that some state may match. */
  readonly moving: readonly RuleEntry[];
  readonly matchedAtRest: ReadonlySet<RuleEntry>;
  readonly styles: Map<ElementStyle | undefined, ElementStyle>;
}

/** A page seen in one set of forced states. */
export class StyledPage {
  readonly shape: StyledPage;
  private readonly cache = new Map<ElementNode, ElementStyle>();
  private readonly pseudos = new Map<ElementNode, Map<string, ElementStyle>>();

  constructor(
    readonly styles: PageStyles,
    readonly forced: ForcedStates,
    /** A view in which every element has the same style but for colours; this one itself where there is no other. */
    shape?: StyledPage,
  ) {
    this.shape = shape ?? this;
  }

  /** @param pseudo name of a pseudo-element without its colons, `before` or `-webkit-scrollbar-thumb` */
  of(element: ElementNode, pseudo?: string): ElementStyle {
    if (pseudo !== undefined) return this.ofPseudo(element, pseudo);
    const known = this.cache.get(element);
    if (known) return known;
    // Ancestors first, without recursion, since pages may nest deeply.
    const path: ElementNode[] = [];
    let node: ElementNode | undefined = element;
    let style: ElementStyle | undefined;
    for (; node; node = node.parent) {
      style = this.cache.get(node);
      if (style) break;
      path.push(node);
    }
    for (let i = path.length - 1; i >= 0; i--) {
      const next = path[i]!;
      style = this.styles.styleOf(next, undefined, this.forced, style);
      this.cache.set(next, style);
    }
    return style!;
  }

  private ofPseudo(element: ElementNode, pseudo: string): ElementStyle {
    let known = this.pseudos.get(element);
    if (!known) this.pseudos.set(element, (known = new Map()));
    let style = known.get(pseudo);
    if (!style) known.set(pseudo, (style = this.styles.styleOf(element, pseudo, this.forced, this.of(element))));
    return style;
  }
}

const MAX_STEADY = 20_000;
const MAX_LINE_LAYERS = 64;
/** What decides the flow, and so cannot depend on it. */
const FLOWLESS: ReadonlySet<string> = new Set(['direction', 'writing-mode']);

/** The style of one element in one state; every value is worked out when it is first asked for. */
export class ElementStyle {
  private readonly computedTexts: (string | undefined)[] = [];
  private custom: CustomProperties | undefined;
  private substitutedTexts: Map<string, string> | undefined;
  private ownFlow: Flow | undefined;
  private ownSize: FontSize | undefined;
  /** Whether the value worked out last asked nothing of this element's place. */
  private wasSteady = false;
  /** A style with the same values but for colours, which was there before; this one itself where there is none. */
  readonly shape: ElementStyle;

  constructor(
    readonly serial: number,
    private readonly element: ElementNode,
    /** Name of the pseudo-element that this is the style of. */
    readonly pseudo: string | undefined,
    private readonly rules: RuleSet,
    readonly parent: ElementStyle | undefined,
    private readonly page: PageStyles,
    like?: ElementStyle,
  ) {
    // The browser draws such a box as its colours ask.
    this.shape = like && !this.isMarkWidget ? like.shape : this;
  }

  get environment(): Environment {
    return this.page.environment;
  }

  /** @internal */
  belongsTo(page: PageStyles): boolean {
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
    return this.rules.running(property, this.flowFor(property));
  }

  /** The declaration that wins, CSS-wide reverting followed; undefined when none applies. */
  winner(property: string): Applied | undefined {
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
    const text = valid ? (CSS_WIDE.has(wide!) ? wide! : substituted) : 'unset';
    const info = propertyInfo(property);
    return this.resolved(info, adjust(this, property, this.computeFrom(info, this.winner(property), text)));
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
    const known = this.computedTexts[info.id];
    if (known !== undefined) return known;
    const adjusts = info.adjusted === 'always' || (info.adjusted === 'box' && this.isMarkWidget);
    // What neither the parent nor other properties can change is the same for all elements of these rules.
    const snapsHere = info.snaps && this.environment.resolution !== 1;
    const shareable = !info.inherited && !adjusts && !snapsHere && this.flow === HORIZONTAL_FLOW;
    const shared = shareable ? this.rules.steady[info.id] : undefined;
    if (shared !== undefined) return shared;
    this.wasSteady = false;
    const declared = this.declaredOf(info);
    if (shareable && this.wasSteady) {
      this.rules.steady[info.id] = declared;
      return declared;
    }
    const value = adjusts ? adjust(this, info.name, declared) : declared;
    this.computedTexts[info.id] = value;
    return value;
  }

  private declaredOf(info: PropertyInfo): string {
    const winner = this.winner(info.name);
    return this.computeFrom(info, winner, winner && this.specified(info.name, winner));
  }

  /** @internal The computed value before other properties have their say. */
  declaredValue(property: string): string {
    return property.startsWith('--') ? this.customText(property) : this.declaredOf(propertyInfo(property));
  }

  /** The value as CSSOM gives it for a computed style; what only layout knows stays as computed. */
  text(property: string): string {
    if (property.startsWith('--')) return this.customText(property);
    const info = propertyInfo(property);
    return this.resolved(info, this.computedOf(info));
  }

  private resolved(info: PropertyInfo, value: string): string {
    if (value === 'currentcolor') return info.name === 'color' ? value : this.text('color');
    switch (info.resolve) {
      case 'caret':
        return value === 'auto' ? this.text('color') : value;
      case 'line-height':
        return value === 'normal' || value.endsWith('px') ? value : `${printNumber(Number(value) * this.fontSize)}px`;
      case 'border-width': {
        const style = this.computed(info.styleName!);
        return style === 'none' || style === 'hidden' ? '0px' : value;
      }
      case 'layers':
        return this.perLayer(info.name, value);
      default:
        return value;
    }
  }

  /** Lists beside a list of pictures are cut or repeated to its length (CSS Backgrounds 3, section 2.1). */
  private perLayer(property: string, value: string): string {
    const images = this.computed(property.startsWith('mask') ? 'mask-image' : 'background-image');
    const layers = Math.min(MAX_LINE_LAYERS, countTopLevel(images));
    const own = splitTopLevel(value);
    if (own.length === layers) return value;
    return Array.from({ length: layers }, (_, i) => own[i % own.length]).join(', ');
  }

  private computeFrom(info: PropertyInfo, winner: Applied | undefined, specified: string | undefined): string {
    let text = specified;
    if (text === undefined || text === 'unset' || text.startsWith('revert')) {
      text = info.inherited ? 'inherit' : 'initial';
    }
    if (text === 'inherit') {
      if (this.parent) {
        if (info.name === 'font-size') return px(this.size.px);
        // Between the two stands a slot of the browser's own, which has initial values.
        if (info.inherited || !this.isSlotted) return this.parent.computedOf(info);
        if (info.name === 'display') return 'contents';
      }
      text = 'initial';
    }
    if (text === 'initial') text = info.initial;
    if (info.name === 'font-size') return px(this.size.px);
    return this.compute(info, text, winner);
  }

  private compute(info: PropertyInfo, text: string, winner: Applied | undefined): string {
    const keeps = !info.snaps || this.environment.resolution === 1;
    const kept = keeps ? info.steady.get(text) : undefined;
    if (kept !== undefined) {
      this.wasSteady = !winner?.declaration.substitutes;
      return kept ?? text;
    }
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
      this.wasSteady = !winner?.declaration.substitutes;
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
    return new StyleSource(this, fromParent, winner?.rule?.base ?? this.page.known.base, this.page);
  }

  private get isMonospace(): boolean {
    return this.computed('font-family') === 'monospace';
  }

  /** The font size with what browsers remember of it. */
  get size(): FontSize {
    if (this.shape !== this) return this.shape.size;
    return (this.ownSize ??= this.readSize());
  }

  private readSize(): FontSize {
    const parent = this.parent?.size ?? MEDIUM;
    const wasMonospace = this.parent?.isMonospace ?? false;
    const winner = this.winner('font-size');
    const text = winner && this.specified('font-size', winner);
    const inherits = text === undefined || text === 'inherit' || text === 'unset' || text.startsWith('revert');
    let size = parent;
    if (text === 'initial') size = MEDIUM;
    else if (!inherits) {
      const value = parseValue(text);
      const context = new ValueContext(new StyleSource(this.parent, true, undefined, this.page));
      const read = value && readFontSize(value.children.toArray(), parent, this.isMonospace, context);
      if (read) size = read;
    }
    return adjustForFamily(size, wasMonospace, this.isMonospace);
  }

  /** @internal Display of the nearest ancestor with a box, which lays this element out. */
  get boxParentDisplay(): string {
    let style = this.parent;
    while (style && style.computed('display') === 'contents') style = style.parent;
    return style?.computed('display') ?? 'block';
  }

  /** Children of these elements stand in a shadow tree of the browser's. */
  private get isSlotted(): boolean {
    const { parent } = this.element;
    return this.pseudo === undefined && parent?.namespace === 'html' && /^(details|select|optgroup)$/.test(parent.name);
  }

  /** @internal */
  isElement(name: string): boolean {
    return this.pseudo === undefined && this.element.name === name && this.element.namespace === 'html';
  }

  /** @internal */
  get isDateField(): boolean {
    const type = this.isElement('input') ? this.element.attributes.get('type')?.toLowerCase() : undefined;
    return type !== undefined && /^(date|datetime-local|month|time|week)$/.test(type);
  }

  /** @internal */
  get isSvgText(): boolean {
    return this.pseudo === undefined && this.element.namespace === 'svg' && this.element.name === 'text';
  }

  /** @internal */
  get isInsideSvg(): boolean {
    return this.pseudo === undefined && this.element.namespace === 'svg' && this.element.parent?.namespace === 'svg';
  }

  /** A checkbox or radio button, whose box the browser makes its own. */
  private get isMarkWidget(): boolean {
    if (this.pseudo !== undefined || this.element.name !== 'input') return false;
    const widget = widgetOf(this.element);
    return widget === 'check' || widget === 'radio';
  }

  /** @internal What sort of control the browser draws here; undefined where it draws none. */
  get drawn(): Widget | undefined {
    const widget = this.pseudo === undefined ? widgetOf(this.element) : undefined;
    return widget && this.computed('appearance') !== 'none' ? widget : undefined;
  }

  /** @internal A drop-down menu that the browser draws, as nothing took its appearance away. */
  get isDrawnMenu(): boolean {
    const { name, namespace } = this.element;
    if (name !== 'select' || namespace !== 'html' || this.pseudo !== undefined) return false;
    return !isListBox(this.element) && this.computed('appearance') !== 'none';
  }

  /** @internal */
  attribute(name: string): string | undefined {
    return this.element.attributes.get(this.element.namespace === 'html' ? name.toLowerCase() : name);
  }

  /** @internal */
  get root(): ElementStyle {
    let style: ElementStyle = this as ElementStyle;
    while (style.parent) style = style.parent;
    return style;
  }

  /** @internal Line height in pixels; undefined when only the font knows it. */
  get lineHeightPx(): number | undefined {
    const value = this.computed('line-height');
    if (value === 'normal') {
      const metrics = this.metrics;
      return metrics && metrics.normalLineHeight * this.fontSize;
    }
    return value.endsWith('px') ? Number.parseFloat(value) : Number(value) * this.fontSize;
  }

  /** @internal Metrics of the first family that has any. */
  get metrics(): FontMetrics | undefined {
    const { fonts } = this.page.known;
    if (!fonts) return undefined;
    for (const family of splitTopLevel(this.computed('font-family'))) {
      const found = fonts[family.replace(/^"|"$/g, '').toLowerCase()];
      if (found) return found;
    }
    return undefined;
  }

  /** @internal The scheme that colours of this element are painted in (CSS Color Adjustment 1, section 2.2). */
  get scheme(): 'light' | 'dark' {
    const words = this.computed('color-scheme').split(/\s+/);
    const preferred = this.environment.scheme;
    if (words.includes(preferred)) return preferred;
    return words.includes('dark') && !words.includes('light') ? 'dark' : 'light';
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

/** What a relative value of one element refers to, worked out only when it asks. */
class StyleSource implements ValueSource {
  constructor(
    /** Undefined above the root, where initial values hold. */
    private readonly style: ElementStyle | undefined,
    /** Line heights are the parent's where the value itself decides the line height. */
    private readonly lineOfParent: boolean,
    readonly base: string | undefined,
    private readonly page: PageStyles,
  ) {}

  get environment(): Environment {
    return this.page.environment;
  }
  get em(): number {
    return this.style?.fontSize ?? MEDIUM.px;
  }
  get rem(): number {
    return this.style ? this.style.root.fontSize : MEDIUM.px;
  }
  get lh(): number | undefined {
    const of = this.lineOfParent && this.style?.parent ? this.style.parent : this.style;
    return of?.lineHeightPx;
  }
  get rlh(): number | undefined {
    return this.style?.root.lineHeightPx;
  }
  get container(): ContainerSize {
    return this.style?.parent ? containerFor(this.style.parent) : this.page.environment;
  }
  get metrics(): FontMetrics | undefined {
    return this.style?.metrics;
  }
  get rootMetrics(): FontMetrics | undefined {
    return this.style?.root.metrics;
  }
  get currentColour(): string {
    return this.style?.text('color') ?? 'rgb(0, 0, 0)';
  }
  get scheme(): 'light' | 'dark' {
    return this.style?.scheme ?? 'light';
  }
  attribute = (name: string) => this.style?.attribute(name);
  unresolved = (what: string) => this.page.noteUnresolved(what);
}

const px = (value: number) => `${printNumber(value)}px`;

function isValidText(property: string, text: string): boolean {
  const parsed = parseValue(text);
  return parsed !== undefined && isValidValue(property, parsed);
}

const countTopLevel = (text: string): number => splitTopLevel(text).length;
