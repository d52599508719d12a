import type { ElementNode, PageTree } from '../../tree/tree.js';
import type { Environment } from '../conditions/environment.js';
import { once, onceForText } from '../../memo/once.js';
import { mayMatch } from '../selector/element-index.js';
import { AT_REST, contextOf, type ForcedStates } from '../selector/forced.js';
import { VISITED } from '../selector/states.js';
import type { CompiledSelector, MatchContext } from '../selector/types.js';
import type { Keyframe, ParsedSheet, RegisteredProperty } from '../sheet/sheet.js';
import { inlineDeclarations } from './applied.js';
import { ElementStyle } from './element-style.js';
import { type StyleHost } from './style-host.js';
import { hintDeclarations } from './hints/index.js';
import type { KnownMeasures } from './known-measures.js';
import { RevisedRules } from './revised-rules.js';
import { RuleMatching } from './rule-matching.js';
import { RuleSet } from './rule-set.js';
import { OF_ELEMENT, RuleIndex, type PageRules, type RuleSets } from './rules.js';
import { EnvironmentRules } from './environment-rules.js';
import { withoutHistory } from './visited.js';
import { matchEntry, type CascadeSheet, strongestOfEachRule, type MatchedEntry, type RuleEntry } from './rule-entry.js';

/** Numbers of styles and of their rules, unique across pages, since one page may take over what another worked out. */
let serials = 0;

/** Resolves a page's elements in one environment, in any forced state. Parsed once, asked often. */
export class PageStyles implements StyleHost {
  readonly tree: PageTree;
  readonly rules: EnvironmentRules;
  private readonly revision: RevisedRules | undefined;
  private readonly ruleSets: RuleSets;
  private readonly styles = new Map<string, ElementStyle>();
  private readonly views = new WeakMap<ForcedStates, StyledPage>();
  private readonly matching: RuleMatching;
  private readonly registry: ReadonlyMap<string, RegisteredProperty>;
  private readonly unresolved = new Set<string>();
  private animations: ReadonlyMap<string, readonly Keyframe[]> | undefined;
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
    this.matching = new RuleMatching(this, base?.matching, this.revision);
    this.registry = this.revision ? base!.registry : registryOf(index.sheets);
  }

  /** Container queries met so far whose container's size is not known; their rules are left out. */
  get unknownConditions(): ReadonlySet<string> {
    return this.matching.unknownConditions;
  }

  /** Units and functions met so far that CSS and the given measures do not resolve. */
  get unresolvedUnits(): ReadonlySet<string> {
    return this.unresolved;
  }

  /** @internal True when styles of the other are handed out as this one's own. */
  takesFrom(other: StyleHost): boolean {
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

  /** The moments of an animation by its name; of several rules of one name the last counts. */
  keyframes(name: string): readonly Keyframe[] {
    this.animations ??= new Map(
      this.index.sheets.flatMap(({ sheet }) => sheet.keyframes.map((own) => [own.name, own.frames] as const)),
    );
    return this.animations.get(name) ?? [];
  }

  /**
   * Elements that some rule of the site's gives a value of a property other than `none`, whatever states and conditions
   * it asks for, or that set it themselves, or their `::before` or `::after`; with all such values as they are written.
   */
  mayHave(property: string): ReadonlyMap<ElementNode, readonly string[]> {
    const { tree } = this;
    const found = new Map<ElementNode, string[]>();
    const give = (element: ElementNode, values: readonly string[]) => {
      const known = found.get(element);
      if (known) known.push(...values);
      else found.set(element, [...values]);
    };
    for (const element of tree.elements)
      if (element.attributes.get('style')?.includes(property))
        for (const { declaration } of inlineDeclarations(element))
          if (declaration.property === property) give(element, [declaration.value]);
    for (const { sheet } of this.index.sheets)
      for (const { selectors, values } of rulesThatSet(sheet)(property))
        for (const { compounds } of selectors.filter(isOfBox))
          for (const element of mayMatch(tree, compounds.at(-1)!)) give(element, values);
    return found;
  }

  /** Every entry that could apply to the element or its pseudo-elements in some state. */
  possibleEntries(element: ElementNode): readonly RuleEntry[] {
    const { fixed, stateful } = this.matching.activeOf(element);
    return [...fixed, ...stateful];
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
    const rules = this.rulesFor(element, pseudo, forced, parent);
    return this.intern(
      element,
      pseudo,
      rules,
      parent,
      forced,
      this.unvisitedOf(element, pseudo, forced, parent, rules),
    );
  }

  private rulesFor(
    element: ElementNode,
    pseudo: string | undefined,
    forced: ForcedStates,
    parent: ElementStyle | undefined,
  ): RuleSet {
    return this.ruleSetFor(element, pseudo, this.matching.matchedFor(element, pseudo, forced, parent));
  }

  /** The style as if no link had been visited; undefined where that is the same. */
  private unvisitedOf(
    element: ElementNode,
    pseudo: string | undefined,
    forced: ForcedStates,
    parent: ElementStyle | undefined,
    rules: RuleSet,
  ): ElementStyle | undefined {
    if (!(forced.union & VISITED)) return undefined;
    const plain = withoutHistory(forced);
    return this.rulesFor(element, pseudo, plain, parent) === rules ? undefined : this.at(plain).of(element, pseudo);
  }

  /** What holds for an element at rest; undefined where containers have a say. */
  private plainOf(element: ElementNode): Plain | undefined {
    let plain = this.plains.get(element);
    if (plain === undefined && this.base && !this.index.differsFor(element)) {
      const known = this.base.plainOf(element);
      this.plains.set(element, (plain = known ? { ...known, styles: new Map() } : null));
    } else if (plain === undefined) {
      const { fixed, stateful } = this.matching.activeOf(element);
      const moving = stateful.filter((entry) => entry.selector.pseudoElement === undefined);
      const asks = [...fixed, ...moving].some(
        (entry) => entry.selector.pseudoElement === undefined && entry.containers.length > 0,
      );
      if (asks) plain = null;
      else {
        const matched = this.matching.matchedFor(element, undefined, AT_REST, undefined);
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
    unvisited?: ElementStyle,
  ): ElementStyle {
    const key = `${parent?.serial ?? 0}:${rules.serial}:${pseudo ?? ''}${unvisited ? `:${unvisited.serial}` : ''}`;
    let style = this.styles.get(key);
    if (!style) {
      const like = this.revision?.isColourOnlyIn(forced) ? this.base!.at(forced).of(element, pseudo) : undefined;
      style = new ElementStyle(++serials, element, pseudo, rules, parent, this, like, unvisited);
      this.styles.set(key, style);
    }
    return style;
  }
}

const BOXES: ReadonlySet<string | undefined> = new Set([undefined, 'before', 'after']);
const isOfBox = ({ pseudoElement }: CompiledSelector): boolean => BOXES.has(pseudoElement);

const rulesThatSet = once((sheet: ParsedSheet) =>
  onceForText((property) =>
    sheet.written.flatMap(({ raw, head }) => {
      const values = raw
        .filter((own) => own.property.toLowerCase().endsWith(property) && own.text.trim() !== 'none')
        .map(({ text }) => text);
      return values.length ? [{ selectors: head.list, values }] : [];
    }),
  ),
);

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
