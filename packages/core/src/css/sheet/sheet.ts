import type { CssNode } from 'css-tree';
import { expandDeclaration } from './declaration.js';
import type { Declaration, Place } from './declared.js';
import type { MediaQueryList } from '../conditions/media.js';
import { HORIZONTAL_FLOW, isLogical, physicalName, type Flow } from '../property/logical.js';
import type { CompiledSelector } from '../selector/types.js';
import type { RuleSelectors } from './rule-selectors.js';

export type Origin = 'browser' | 'author';

/** A container query: asked of the nearest ancestor that is a container of that name. */
export interface ContainerCondition {
  readonly kind: 'container';
  readonly name: string | undefined;
  readonly node: CssNode | undefined;
  readonly text: string;
}

/** A condition under which a rule applies; all of a rule's conditions must hold. */
export type Condition =
  | { readonly kind: 'media'; readonly query: MediaQueryList }
  | { readonly kind: 'supports'; readonly holds: boolean; readonly text: string }
  | ContainerCondition;

/** The part of a page that an @scope rule is about (Cascade 6, section 2.5). */
export interface Scope {
  /** Undefined for the parent of the sheet's own element. */
  readonly roots: readonly CompiledSelector[] | undefined;
  readonly limits: readonly CompiledSelector[];
  readonly parent: Scope | undefined;
}

/** A declaration as written. */
export interface RawDeclaration {
  readonly property: string;
  readonly text: string;
  readonly important: boolean;
  readonly place: Place;
}

interface RuleParts {
  readonly selectors: RuleSelectors;
  readonly raw: readonly RawDeclaration[];
  readonly conditions: readonly Condition[];
  /** Path of layer names, outermost first; empty for unlayered rules. Anonymous layers get unique names. */
  readonly layer: readonly string[];
  readonly scope: Scope | undefined;
  readonly place: Place;
  /** Address that relative url() in the rule refer to. */
  readonly base: string | undefined;
  readonly quirks: boolean;
}

type Named = readonly (readonly [property: string, declaration: Declaration])[];

/** What one rule says in the end of each property. */
export interface RuleWinners {
  readonly normal: Named;
  readonly important: Named;
}

function groupBy(
  declarations: readonly Declaration[],
  nameOf: (declaration: Declaration) => string,
): Map<string, readonly Declaration[]> {
  const groups = new Map<string, Declaration[]>();
  for (const declaration of declarations) {
    const name = nameOf(declaration);
    const list = groups.get(name);
    if (list) list.push(declaration);
    else groups.set(name, [declaration]);
  }
  return groups;
}

/** A style rule. Its declarations are read when something first asks for them, as most rules of a page never apply. */
export class StyleRule {
  /** @internal Its selectors as they are written. */
  readonly head: RuleSelectors;
  readonly raw: readonly RawDeclaration[];
  readonly conditions: readonly Condition[];
  readonly layer: readonly string[];
  readonly scope: Scope | undefined;
  readonly place: Place;
  readonly base: string | undefined;
  readonly quirks: boolean;
  private expanded: Declaration[] | undefined;
  private grouped: ReadonlyMap<string, readonly Declaration[]> | undefined;
  private groupedPlainly: ReadonlyMap<string, readonly Declaration[]> | undefined;
  private ownWinners: RuleWinners | undefined;
  private logical: boolean | undefined;
  private attributes: boolean | undefined;

  constructor(parts: RuleParts) {
    this.head = parts.selectors;
    this.raw = parts.raw;
    this.conditions = parts.conditions;
    this.layer = parts.layer;
    this.scope = parts.scope;
    this.place = parts.place;
    this.base = parts.base;
    this.quirks = parts.quirks;
  }

  /** Its selectors, ready to match; none where browsers drop the rule. */
  get selectors(): readonly CompiledSelector[] {
    return this.head.list;
  }

  get selectorText(): string {
    return this.head.text;
  }

  /** Longhands in order; what a browser drops is not among them. */
  get declarations(): readonly Declaration[] {
    if (!this.expanded) {
      const expanded: Declaration[] = [];
      for (const { property, text, important, place } of this.raw) {
        expandDeclaration(property, text, important, place, this.quirks, expanded);
      }
      this.expanded = expanded;
    }
    return this.expanded;
  }

  /** The same by property, as declared. */
  get byProperty(): ReadonlyMap<string, readonly Declaration[]> {
    return (this.grouped ??= groupBy(this.declarations, (declaration) => declaration.property));
  }

  /** The same by the physical property that each sets in a flow. */
  byPhysical(flow: Flow): ReadonlyMap<string, readonly Declaration[]> {
    if (flow === HORIZONTAL_FLOW) {
      return (this.groupedPlainly ??= this.hasLogical
        ? groupBy(this.declarations, (declaration) => physicalName(declaration.property, flow))
        : this.byProperty);
    }
    if (!this.hasLogical) return this.byProperty;
    return groupBy(this.declarations, (declaration) => physicalName(declaration.property, flow));
  }

  /** The last declaration of each physical property, of normal and of important ones. */
  winners(flow: Flow): RuleWinners {
    if (flow === HORIZONTAL_FLOW && this.ownWinners) return this.ownWinners;
    const normal: (readonly [string, Declaration])[] = [];
    const important: (readonly [string, Declaration])[] = [];
    for (const [name, declarations] of this.byPhysical(flow)) {
      const lastNormal = declarations.findLast((declaration) => !declaration.important);
      const lastImportant = declarations.findLast((declaration) => declaration.important);
      if (lastNormal) normal.push([name, lastNormal]);
      if (lastImportant) important.push([name, lastImportant]);
    }
    const winners = { normal, important };
    if (flow === HORIZONTAL_FLOW) this.ownWinners = winners;
    return winners;
  }

  private get hasLogical(): boolean {
    return (this.logical ??= this.declarations.some((declaration) => isLogical(declaration.property)));
  }

  /** True when some value refers to attributes of the element. */
  get asksAttribute(): boolean {
    return (this.attributes ??= this.raw.some((raw) => raw.text.includes('attr(')));
  }

  /** Declarations that a browser drops, since the property's grammar refuses their values. */
  get dropped(): RawDeclaration[] {
    return this.raw.filter(
      (raw) =>
        raw.text.trim() !== '' &&
        expandDeclaration(raw.property, raw.text, raw.important, raw.place, this.quirks).length === 0,
    );
  }
}

/** A custom property registered by @property (CSS Properties and Values 1, section 3). */
export interface RegisteredProperty {
  readonly name: string;
  readonly syntax: string;
  readonly inherits: boolean;
  readonly initial: string | undefined;
  readonly conditions: readonly Condition[];
}

/** A layer named in a sheet, in order of appearance, with what must hold for it to count. */
export interface LayerEntry {
  readonly path: readonly string[];
  readonly conditions: readonly Condition[];
}

export interface Problem {
  readonly message: string;
  readonly place: Place;
}

/** One moment of an animation: where it is, 0 to 1, and what it sets, as written. */
export interface Keyframe {
  readonly offset: number;
  readonly values: ReadonlyMap<string, string>;
}

/** An @keyframes rule (CSS Animations 1, section 3). */
export interface Keyframes {
  readonly name: string;
  readonly frames: readonly Keyframe[];
}

/** A stretch of a sheet's text. */
export interface TextSpan {
  readonly start: number;
  readonly end: number;
}

/** Where a rule stands in the text of its sheet. */
export interface RuleSpan extends TextSpan {
  readonly head: RuleSelectors;
  /** Where its selectors stand. */
  readonly prelude: TextSpan;
  /** True where other rules stand in it, or may. */
  readonly holdsRules: boolean;
}

/** The text of a sheet, blanks in place of what nests too deep, with what of it is marked for frames. */
export interface SheetText {
  readonly text: string;
  readonly spans: {
    readonly rules: readonly RuleSpan[];
    /** Preludes of @scope and of @media. */
    readonly scopes: readonly TextSpan[];
    readonly media: readonly TextSpan[];
  };
}

export interface ParsedSheet {
  readonly name: string;
  readonly rules: readonly StyleRule[];
  /** The same with those that browsers drop for their selectors, which are not looked at for it. */
  readonly written: readonly StyleRule[];
  /** Layers in the order in which they first appear, empty statements included. */
  readonly layers: readonly LayerEntry[];
  /** Addresses of @import rules at the sheet's start, with their conditions, in order. */
  readonly imports: readonly SheetImport[];
  readonly registered: readonly RegisteredProperty[];
  readonly keyframes: readonly Keyframes[];
  /** Parts that could not be read, each dropped as a browser drops it. */
  readonly problems: readonly Problem[];
}

export interface SheetImport {
  readonly address: string;
  readonly layer: readonly string[] | undefined;
  readonly conditions: readonly Condition[];
}
