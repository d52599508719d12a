import type { Kind } from '../component/kind.js';
import { hasGround } from '../css/cascade/has-ground.js';
import { completesOf } from '../component/kinds/completes.js';
import type { StateColumn } from '../component/state-column.js';
import type { FoundPart } from '../component/parts.js';
import { DESKTOP, type Environment } from '../css/conditions/environment.js';
import type { RuleCheck } from '../css/explain/index.js';
import { bitsOf, closeBits, type Atom } from '../css/selector/states.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import type { FontFile, SubjectGroup } from '../handover/index.js';
import { DEFAULT_BOUNDS, type ViewportBounds } from '../look/conditions.js';
import { EMPTY_LOOK, type Look } from '../look/model.js';
import { Forcer, type Reveal, type SeenSubject, type Subject } from '../component/subject.js';
import type { Located, Locator } from '../css/selector/locator.js';
import type { StagedPages } from '../page/staged-pages.js';
import { selfAndAncestors, type ElementNode } from '../tree/tree.js';
import { finish, type Steps } from '../base/steps.js';
import { CellReasons, columnCalled, type CellRef, type TakenAlong } from '../sheet/cell-reasons.js';
import type { LookedAt } from '../ledger/checks.js';
import type { PartColumns } from '../parts/columns.js';
import { ComponentHandover, type HandoverResult } from './component-handover.js';
import { ComponentLedger } from '../ledger/component-ledger.js';
import type { Tally } from '../ledger/tally.js';
import { ComponentParts } from '../parts/component-parts.js';
import { ComponentPlans } from '../incremental/component-plans.js';
import { ComponentSheet, type SheetRequest } from '../sheet/component-sheet.js';
import { ComponentViews, type SeenOptions } from './component-views.js';
import { UnknownCellError } from '../parts/errors.js';
import { membersOf, type PartMember } from '../parts/members.js';
import type { Measures } from '../parts/page-measures.js';
import type { PageSession } from '../parts/page-session.js';
import { placeOn } from '../parts/placed-component.js';
import type { CellExplanation, StateSheet } from '../sheet/state-sheet.js';
import type { LedgerCheck, LedgerRequest } from '../ledger/ledger-check.js';
import type { FrameRules } from '../incremental/frame-rules.js';
import type { EditingPlace } from '../look/editing-place.js';
import { WhatIf } from '../what-if/what-if.js';
import { tryColours, type TrackSample } from '../what-if/try-colours.js';
import { OTHER_LOOKS, underlayOf, type Among, type Underlay } from './underlay.js';
import { ownPartsOf, type OwnParts } from '../component/own-parts.js';

export interface ComponentOptions extends OwnParts {
  /** The page, as settings name it. */
  readonly pageId?: string | undefined;
  readonly bounds?: ViewportBounds | undefined;
  /** Looks of other components that this one is resolved over, as CSS or as the page with them on it. */
  readonly before?: string | Underlay | undefined;
  /** What it is measured with; with all that was measured of the page when absent. */
  readonly measures?: Measures | undefined;
}

/** One component on one page: its sheet, its checks and its handover under a look. */
export class ComponentSession {
  readonly kind: Kind;
  readonly located: Located;
  readonly element: ElementNode;
  readonly selector: string;
  /** The page with the looks of the components that reach wider. */
  private readonly site: StagedPages;
  private readonly forcer = new Forcer();
  private readonly found: ComponentParts;
  private readonly views: ComponentViews;
  private readonly plans: ComponentPlans;
  private readonly sheets: ComponentSheet;
  private readonly checks: ComponentLedger;
  private readonly reasons: CellReasons;
  private readonly rules: ComponentHandover;
  /** What other values would change. */
  readonly whatIf: WhatIf;
  private readonly before: Underlay | undefined;

  /**
   * @throws UnknownKindError for a kind that is not known
   * @throws ComponentMissingError when the locator finds nothing on the page
   */
  constructor(
    readonly page: PageSession,
    kindName: string,
    locator: Locator,
    options: ComponentOptions = {},
  ) {
    const { before, pageId, bounds = DEFAULT_BOUNDS } = options;
    const placed = placeOn(page, { kind: kindName, locator, ...ownPartsOf(options) });
    const { kind, parts: all } = placed;
    this.kind = kind;
    this.located = placed.located;
    this.element = placed.element;
    this.selector = placed.selector;
    this.before = typeof before === 'string' ? (before ? underlayOf(page, before) : undefined) : before;
    const site = this.before?.pages ?? page.pages;
    this.site = site;
    const measures = options.measures ?? page.measures;
    const { forcer } = this;
    const parts = (this.found = new ComponentParts(site, kind, all));
    const views = (this.views = new ComponentViews(site, parts, forcer, measures));
    const plans = (this.plans = new ComponentPlans(site, parts, forcer, bounds, completesOf(kind.name)));
    const looks = {
      kind,
      parts: all,
      columnsFor: (look: Look, environment: Environment, added: readonly string[]) =>
        plans.columnsFor(look, environment, added),
      groupsOf: (part: FoundPart, look: Look, environment: Environment): SubjectGroup[] =>
        parts.groupsOf(part, look, environment),
      lookAt: (pages: StagedPages, environment: Environment, subject: Subject, column: StateColumn) =>
        views.lookAt(pages, environment, subject, column),
    };
    const checks = (this.checks = new ComponentLedger({
      ...looks,
      element: this.element,
      site,
      measured: (environment) => measures.versionAt(environment),
      styled: (look, environment, place) => plans.styled(look, environment, place),
      inLessMotion: (pages, environment) => plans.inLessMotion(pages, environment),
      subjectFor: (part, look, place) => parts.subjectFor(part, look, place),
      openedByFocus: (pages, environment, subject) => views.openedByFocus(pages, environment, subject),
    }));
    this.whatIf = new WhatIf({
      ...looks,
      placeFor: (place) => plans.placeFor(place),
      pagesUnder: (look, environment, place) => plans.styled(look, environment, place).pages,
      resolverFor: (columns, look, environment, place) => plans.resolverFor(columns, look, environment, place),
    });
    this.sheets = new ComponentSheet({
      site,
      kind,
      parts,
      plans,
      checks,
      forcer,
      wider: this.before ? OTHER_LOOKS : undefined,
    });
    this.reasons = new CellReasons(page, site, parts, forcer);
    const { selector } = this;
    this.rules = new ComponentHandover({ page, site, kind, selector, parts, plans, forcer, bounds, pageId });
  }

  /** The parts that the page has, outermost first. */
  get parts(): readonly FoundPart[] {
    return this.found.all;
  }

  /** The page with the looks that this one is resolved over. */
  get under(): StagedPages {
    return this.site;
  }

  /** CSS of the components that reach wider; empty without any. */
  get wider(): string {
    return this.before?.css ?? '';
  }

  /**
   * The look as CSS for still frames.
   *
   * @param among looks of other components that are shown too; those that have a say in this one when absent
   */
  frameRules(
    look: Look,
    request: Pick<SheetRequest, 'environment' | 'place'> = {},
    { under, over }: Among = { under: this.before },
  ): readonly FrameRules[] {
    const { frames } = this.plans.styled(look, request.environment ?? DESKTOP, request.place);
    return [...(under ? [under.frames] : []), ...frames, ...(over ? [over.frames] : [])];
  }

  /** A part as a frame shows it in a column's state: the page so, and where the part stands in it. */
  seenIn(partName: string, columnName: string, options: SeenOptions = {}): SeenSubject {
    return this.views.seenIn(partName, columnCalled(columnName), options);
  }

  /** Ways of opening the page in which parts are seen, with the page at rest first: what geometry is wanted of. */
  openings(
    look: Look = EMPTY_LOOK,
    environment: Environment = DESKTOP,
  ): { readonly key: string; readonly seen: SeenSubject }[] {
    return this.views.openings(look, environment);
  }

  /** Parts that the page hides at rest and that can be shown open: sub-menus, panels, dialogs; outermost first. */
  openable(environment: Environment = DESKTOP): { readonly name: string; readonly label: string }[] {
    return this.views.openable(environment);
  }

  /** The part that each element of the component is, by the elements' orders; the first part that names it. */
  partsByOrder(): ReadonlyMap<number, string> {
    return this.found.byOrder();
  }

  /** The site's style of one of the component's elements, by its order, in a state set. */
  styleIn(
    atoms: readonly Atom[],
    order = this.element.order,
    environment: Environment = DESKTOP,
    pseudo?: string,
  ): ElementStyle {
    const bits = closeBits(bitsOf(atoms));
    const part = this.parts.find(
      (item) => item.part.pseudo === pseudo && item.elements.some((element) => element.order === order),
    );
    const subject = part?.subjects.find(({ element }) => element.order === order);
    if (!subject) throw new UnknownCellError('That element is no part of this component.');
    return this.forcer.see(this.site, environment, subject, bits).style;
  }

  /** Why the site gives a cell its value, what would win there, and what is meant for it but misses it. */
  explainCell(ref: CellRef, environment: Environment = DESKTOP): CellExplanation {
    return finish(this.explaining(ref, environment));
  }

  /** The same bit by bit: a large sheet has thousands of rules that may have been meant for it. */
  explaining(ref: CellRef, environment: Environment = DESKTOP): Steps<CellExplanation> {
    return this.reasons.explaining(ref, environment);
  }

  /** What would become of a rule of the owner's for a cell. */
  checkRule(ref: CellRef, selector: string, environment: Environment = DESKTOP): RuleCheck {
    return this.reasons.checkRule(ref, selector, environment);
  }

  /** Texts that a colour set on a part does not reach, with the parts that they are. */
  colourChildren(ref: CellRef, environment: Environment = DESKTOP): TakenAlong[] {
    return this.reasons.colourChildren(ref, environment);
  }

  /** The whole state sheet under a look. */
  sheet(look: Look, request: SheetRequest = {}): StateSheet {
    return this.sheets.sheet(look, request);
  }

  /** How the component fares as it is, bit by bit; environments behind the first show what that does not. */
  tallying(environments: readonly Environment[]): Steps<Tally> {
    return this.checks.tallying(environments);
  }

  /**
   * All checks of the component under a look: its kind's demands and those that every kind makes, at each viewport, and
   * where a picture lies behind also as if it had not loaded.
   */
  ledger(look: Look, request: LedgerRequest): LedgerCheck[] {
    return this.checks.all(look, request);
  }

  /** Those of them that conformance at levels A and AA asks for. */
  requiredChecks(look: Look, request: LedgerRequest): LedgerCheck[] {
    return this.checks.required(look, request);
  }

  /** Measures trial colours in a cell, in its own column and all that follow it. */
  tryColours(look: Look, ref: CellRef, colours: readonly string[], request: SheetRequest = {}): TrackSample[] {
    const { environment = DESKTOP, ...rest } = request;
    const { part, row, column } = this.reasons.cell(ref);
    const [property] = row.properties;
    const tried = { part: part.part.name, property: property!, column: column.name };
    return tryColours(property!, this.whatIf.cases(look, tried, { ...rest, environment }), colours);
  }

  /** What a part looks like in a column under a look, by the properties that are asked for. */
  valuesIn(
    look: Look,
    partName: string,
    column: StateColumn,
    request: SheetRequest,
    properties: readonly string[],
  ): ReadonlyMap<string, string> {
    const { style } = this.seenUnder(look, partName, column.name, request);
    return new Map(properties.map((property) => [property, style.text(property)]));
  }

  /** A part's element as it is seen in a column, and what it is measured with. */
  seenUnder(look: Look, partName: string, columnName: string, request: SheetRequest = {}): LookedAt {
    const { environment = DESKTOP, place = {} } = request;
    const { pages } = this.plans.styled(look, environment, place);
    const subject = this.standingFor(partName, look, place);
    return this.views.lookAt(pages, environment, subject, columnCalled(columnName));
  }

  /** The elements of a part that the page tells apart, each as it is seen in a column. */
  allSeenUnder(look: Look, partName: string, columnName: string, request: SheetRequest = {}): LookedAt[] {
    const { environment = DESKTOP, place } = request;
    const { pages } = this.plans.styled(look, environment, place);
    const column = columnCalled(columnName);
    return this.found
      .groupsOf(this.found.named(partName), look, environment)
      .map(({ subject }) => this.views.lookAt(pages, environment, subject, column));
  }

  /** The same with the elements of each group and their style. */
  groupsSeenUnder(
    look: Look,
    partName: string,
    columnName: string,
    { environment = DESKTOP, place }: Pick<SheetRequest, 'environment' | 'place'> = {},
  ): { readonly members: readonly ElementNode[]; readonly style: ElementStyle }[] {
    const { pages } = this.plans.styled(look, environment, place);
    const column = columnCalled(columnName);
    return this.found.groupsOf(this.found.named(partName), look, environment).map(({ subject, members }) => ({
      members,
      style: this.views.lookAt(pages, environment, subject, column).style,
    }));
  }

  /** The parts on the page with their columns. */
  columnsOfParts(look: Look, request: SheetRequest = {}): readonly PartColumns[] {
    return this.plans.columnsFor(look, request.environment ?? DESKTOP, request.added ?? []);
  }

  /** The part whose ground lies behind a part's text: its own, or that of the nearest part around it. */
  groundPart(look: Look, partName: string, columnName: string, request: SheetRequest = {}): string | undefined {
    const { element, view } = this.seenUnder(look, partName, columnName, request);
    const byOrder = this.found.byOrder();
    for (const node of selfAndAncestors(element)) {
      const style = view.of(node);
      if (hasGround(style)) return node === element ? partName : byOrder.get(node.order);
    }
    return undefined;
  }

  /** What opens or shows a part that the page hides at rest. */
  reveal(partName: string, environment: Environment = DESKTOP): Reveal {
    return this.views.revealFor(this.standingFor(partName), environment);
  }

  /** The element that stands for a part, with what its markup can carry. */
  standingFor(partName: string, look: Look = EMPTY_LOOK, place: EditingPlace = {}): Subject {
    return this.found.subjectFor(this.found.named(partName), look, place);
  }

  /** The elements of a part, to choose members of an exception from. */
  members(partName: string): PartMember[] {
    return membersOf(this.page.tree, this.found.named(partName));
  }

  /** The look's CSS for every width, without its proof; what other components are resolved over. */
  css(look: Look): string {
    return this.rules.css(look);
  }

  /** The look's rules by themselves, and what is to be proven of them: what a handover of the whole site is made from. */
  get rulesOf(): Pick<ComponentHandover, 'planned' | 'provable' | 'fallback' | 'propertiesOfPage'> {
    return this.rules;
  }

  /**
   * The CSS that gives the look on the site, and its proof in every state and environment.
   *
   * @param fonts files that the site has for families; the rules of those that the look names stand first
   */
  handover(look: Look = EMPTY_LOOK, name = this.kind.label, fonts: readonly FontFile[] = []): HandoverResult {
    return this.rules.handover(look, name, fonts);
  }
}
