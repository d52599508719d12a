import { isTarget } from '../check/target.js';
import { siteSelectors } from '../component/find.js';
import { kindNamed } from '../component/kinds/index.js';
import { partNamed, type Kind, type StateColumn } from '../component/kind.js';
import { findParts, type FoundPart } from '../component/parts.js';
import { rowNamed, ROWS, type Row } from '../component/rows.js';
import { columnNamed, setBits, shownBits } from '../component/states.js';
import { DESKTOP, environmentKey, type Environment } from '../css/environment.js';
import { checkRule, explain, idleRulesFor, leftBehind, type LeftBehind, type RuleCheck } from '../css/explain/index.js';
import { forceStates } from '../css/forced.js';
import { bitsOf, CARRIED, closeBits, isSubset, type Atom, type StateBits } from '../css/selector/states.js';
import { InvalidSelectorError } from '../css/selector/match.js';
import type { ElementStyle } from '../css/styles.js';
import {
  asLastSheet,
  environmentCases,
  fontFaces,
  fontsOf,
  planHandover,
  PlanMemory,
  bareRules,
  printBare,
  printPlans,
  prove,
  settingsFor,
  standardScrollbar,
  type EnvironmentCase,
  type FontFile,
  type Plan,
  type PlanInput,
  type PlannedException,
  type Proof,
  type SubjectGroup,
} from '../handover/index.js';
import { stateWords } from '../handover/state-selector.js';
import { DEFAULT_BOUNDS, type Place, type ViewportBounds } from '../look/conditions.js';
import {
  activeSettings,
  bitsOfWhen,
  EMPTY_LOOK,
  settingKey,
  type Exception,
  type Look,
  type Setting,
} from '../look/model.js';
import { LookResolver } from '../look/resolve.js';
import { Forcer, type Reveal, type SeenSubject, type Subject } from '../look/subject.js';
import { locate, selectAll, type Located, type Locator } from '../page/locator.js';
import { markStates } from '../page/rewrite-sheet.js';
import type { StagedPages } from '../page/staged-pages.js';
import { descendants, selfAndAncestors, type ElementNode } from '../page/tree.js';
import { cellOf } from './cells.js';
import type { LookedAt } from './checks.js';
import { ComponentLedger } from './component-ledger.js';
import { exceptionsKey, forgetOldest, settingsByPart, statesUsed } from './kept.js';
import { LookedPages, type LookedPage } from './looked-pages.js';
import { columnsOf, siteColumnsOf, unionOf, type PartColumns } from './columns.js';
import { eachAlone, groupSubjects } from './groups.js';
import { membersOf, type PartMember } from './members.js';
import type { PageSession } from './page-session.js';
import { openedKey, revealOf } from './reveal.js';
import { scrollbarNotes } from './scrollbar-notes.js';
import {
  type CellExplanation,
  type EditingPlace,
  type FrameRules,
  type LedgerCheck,
  type LedgerRequest,
  type SheetPart,
  type SheetRow,
  type StateSheet,
} from './state-sheet.js';
import { ViewSet } from './view-set.js';
import { Trials } from './trials.js';
import { tryColours, type TrackSample } from './try-colours.js';

export class UnknownKindError extends Error {
  override readonly name = 'UnknownKindError';
}
export class UnknownCellError extends Error {
  override readonly name = 'UnknownCellError';
}
export class ComponentMissingError extends Error {
  override readonly name = 'ComponentMissingError';
}

export interface HandoverResult {
  /** For every page. */
  readonly css: string;
  /** For this page alone, to stand after the other; empty when the look says nothing about it. */
  readonly pageCss: string;
  readonly plans: readonly Plan[];
  readonly proof: Proof;
  readonly cases: number;
}

export interface ComponentOptions {
  /** Selectors that the owner gave for parts. */
  readonly parts?: Readonly<Record<string, string>>;
  /** The page, as settings name it. */
  readonly pageId?: string | undefined;
  readonly bounds?: ViewportBounds | undefined;
  /** CSS of components that reach wider, which stands before this one's. */
  readonly before?: string | undefined;
}

export interface CellRef {
  readonly part: string;
  readonly row: string;
  readonly column: string;
}

export interface SheetRequest {
  readonly environment?: Environment;
  readonly place?: EditingPlace;
  /** Parts whose rows are wanted; the first when absent. */
  readonly unfolded?: readonly string[];
  /** Parts of which every row is wanted, not only those that matter first. */
  readonly whole?: readonly string[];
  /** Names of columns that were added. */
  readonly added?: readonly string[];
  /** Rows of a part that are wanted besides, such as those that an editor sets together. */
  readonly also?: { readonly part: string; readonly rows: readonly string[] } | undefined;
}

/** Groups of subjects that are kept. */
const MAX_KEPT = 600;
/** Answers to one question that are kept, one for each look that was asked about lately. */
const MAX_VERSIONS = 12;

/** Focus that came by keyboard. */
const FOCUSED = closeBits(bitsOf(['focus-visible']));

/** What the sheet of wider components' looks is called where a value comes from it. */
const OTHER_LOOKS = 'the look of another component';

/** A child that keeps a colour of its own when the text colour of its part changes. */
export interface TakenAlong extends LeftBehind {
  /** The part that it belongs to, when that can be set. */
  readonly part: string | undefined;
}

/** One component on one page: its sheet, its checks and its handover under a look. */
export class ComponentSession {
  readonly kind: Kind;
  readonly located: Located;
  readonly element: ElementNode;
  readonly selector: string;
  readonly parts: readonly FoundPart[];
  private readonly pages: StagedPages;
  private readonly bounds: ViewportBounds;
  private readonly forcer = new Forcer();
  private readonly grouped = new Map<string, SubjectGroup[]>();
  private readonly memories = new WeakMap<SubjectGroup[], Map<string, PlanMemory>>();
  private readonly reveals = new Map<string, Reveal>();
  private readonly columnSets = new Map<string, PartColumns[]>();
  private readonly looked: LookedPages;
  private readonly checks: ComponentLedger;
  /** What other values would change. */
  readonly trials: Trials;
  private readonly before: FrameRules | undefined;
  private readonly kept = new Map<string, Map<string, unknown>>();
  private relatives: Map<string, readonly string[]> | undefined;

  /**
   * @throws UnknownKindError for a kind that is not known
   * @throws ComponentMissingError when the locator finds nothing on the page
   */
  constructor(
    readonly page: PageSession,
    kindName: string,
    locator: Locator,
    private readonly options: ComponentOptions = {},
  ) {
    const kind = kindNamed(kindName);
    if (!kind) throw new UnknownKindError(`No kind is called "${kindName}".`);
    this.kind = kind;
    this.bounds = options.bounds ?? DEFAULT_BOUNDS;
    this.pages = options.before ? page.pages.extended([asLastSheet(options.before, OTHER_LOOKS)]) : page.pages;
    this.before = options.before ? { id: 0, rules: [{ states: 0, css: markStates(options.before) }] } : undefined;
    this.located = locate(page.tree, locator);
    if (!this.located.element) {
      throw new ComponentMissingError(
        this.located.outcome === 'gone'
          ? `Nothing on this page matches "${locator.selector}" any more.`
          : `Several elements on this page could be "${locator.selector}", and none is clearly the one.`,
      );
    }
    this.element = this.located.element;
    this.selector = this.located.outcome === 'matched' ? locator.selector : this.freshSelector(locator.selector);
    const styles = page.stylesFor();
    this.parts = findParts(page.tree, kind, this.selector, options.parts, (element) => siteSelectors(element, styles));
    this.looked = new LookedPages(
      this.pages,
      this.parts.map(({ part }) => part.name),
    );
    const looks = {
      kind,
      parts: this.parts,
      columnsFor: (look: Look, environment: Environment, added: readonly string[]) =>
        this.columnsFor(look, environment, added),
      groupsOf: (part: FoundPart, look: Look, environment: Environment) => this.groupsOf(part, look, environment),
      lookAt: (pages: StagedPages, environment: Environment, subject: Subject, column: StateColumn) =>
        this.lookAt(pages, environment, subject, column),
    };
    this.checks = new ComponentLedger({
      ...looks,
      element: this.element,
      site: this.pages,
      measured: () => page.measures.version,
      styled: (look, environment, place) => this.styled(look, environment, this.placeFor(place)),
      subjectFor: (part, look, place) => this.subjectFor(part, look, place),
      openedByFocus: (pages, environment, subject) => this.openedByFocus(pages, environment, subject),
    });
    this.trials = new Trials({
      ...looks,
      placeFor: (place) => this.placeFor(place),
      pagesUnder: (look, environment, place) => this.styled(look, environment, this.placeFor(place)).pages,
      resolverFor: (columns, look, environment, place) => this.resolverFor(columns, look, environment, place),
    });
  }

  /** After a move the old selector may reach nothing, so the found component's own is taken. */
  private freshSelector(old: string): string {
    const found = this.page.components().find((item) => item.elements.includes(this.element.order));
    return found?.selector ?? old;
  }

  /** CSS of the components that reach wider; empty without any. */
  get wider(): string {
    return this.options.before ?? '';
  }

  private partOf(name: string): FoundPart {
    const part = this.parts.find((item) => item.part.name === name);
    if (part) return part;
    const known = partNamed(this.kind, name);
    throw new UnknownCellError(
      known ? `This page has no ${known.label.toLowerCase()} of this component.` : `There is no part called "${name}".`,
    );
  }

  /** The element that stands for a part: a member of the exception in hand, or the one with the most states. */
  private subjectFor(part: FoundPart, look: Look, place: EditingPlace = {}): Subject {
    const exceptions = this.exceptionsOf(part, look);
    const members = place.exception === undefined ? undefined : exceptions.get(place.exception)?.elements;
    const others = new Set([...exceptions.values()].flatMap(({ elements }) => [...elements]));
    const pool = part.subjects.filter(({ element }) => (members ? members.has(element) : !others.has(element)));
    const from = pool.length ? pool : part.subjects;
    return from.reduce((best, subject) =>
      count(subject.states.possible) > count(best.states.possible) ? subject : best,
    );
  }

  /** The members of exceptions on this page; an exception whose selectors cannot be read has none. */
  private exceptionsOf(part: FoundPart, look: Look): Map<string, PlannedException> {
    const result = new Map<string, PlannedException>();
    for (const exception of look.exceptions) {
      if (exception.part !== part.part.name || !exception.members.length) continue;
      const selector = exception.members.join(', ');
      const reached = new Set(this.membersOf(exception, part));
      result.set(exception.id, { selector, elements: reached });
    }
    return result;
  }

  private membersOf(exception: Exception, part: FoundPart): ElementNode[] {
    try {
      const reached = new Set(selectAll(this.page.tree, exception.members.join(', ')));
      return part.elements.filter((element) => reached.has(element));
    } catch (error) {
      if (error instanceof InvalidSelectorError) return [];
      throw error;
    }
  }

  private groupsOf(part: FoundPart, look: Look, environment: Environment): SubjectGroup[] {
    const key = `${part.part.name}|${environmentKey(environment)}|${exceptionsKey(look.exceptions)}`;
    let groups = this.grouped.get(key);
    if (groups) return groups;
    const exceptions = this.exceptionsOf(part, look);
    const apart = (element: ElementNode) =>
      [...exceptions].flatMap(([id, { elements }]) => (elements.has(element) ? [id] : [])).join();
    groups = groupSubjects(this.pages, environment, part, apart);
    this.grouped.set(key, groups);
    forgetOldest(this.grouped, MAX_KEPT);
    return groups;
  }

  private placeFor(place: EditingPlace = {}): Place {
    return { page: place.page, bounds: this.bounds };
  }

  private planInput(
    part: FoundPart,
    look: Look,
    cases: readonly EnvironmentCase[],
    place: Place,
    groups: readonly SubjectGroup[],
  ): PlanInput {
    return {
      pages: this.pages,
      part,
      groups,
      settings: activeSettings(look).filter((setting) => setting.part === part.part.name),
      exceptions: this.exceptionsOf(part, look),
      place,
      cases,
      forcer: this.forcer,
    };
  }

  /** The page with the look on it, in one environment; what of it has not changed is kept. */
  private styled(look: Look, environment: Environment, place: Place): LookedPage {
    const only: EnvironmentCase = { environment, from: 0, to: Infinity, scheme: environment.scheme };
    return this.looked.under(look, environment, place.page, (name) => {
      const part = this.partOf(name);
      const groups = this.groupsOf(part, look, environment);
      const memory = this.memoryFor(groups, environment, place, exceptionsKey(look.exceptions));
      return bareRules(planHandover({ ...this.planInput(part, look, [only], place, groups), memory }));
    });
  }

  private memoryFor(groups: SubjectGroup[], environment: Environment, place: Place, exceptions: string): PlanMemory {
    let known = this.memories.get(groups);
    if (!known) this.memories.set(groups, (known = new Map()));
    const key = `${environmentKey(environment)}|${place.page ?? ''}|${exceptions}`;
    let memory = known.get(key);
    if (!memory) known.set(key, (memory = new PlanMemory()));
    return memory;
  }

  /** The look as CSS for still frames; the wider components' looks stand first. */
  frameRules(look: Look, request: Pick<SheetRequest, 'environment' | 'place'> = {}): readonly FrameRules[] {
    const { environment = DESKTOP, place } = request;
    const { frames } = this.styled(look, environment, this.placeFor(place));
    return this.before ? [this.before, ...frames] : frames;
  }

  private revealFor(subject: Subject, environment: Environment): Reveal {
    const key = `${subject.element.order} ${subject.pseudo ?? ''} ${environment.width}`;
    let reveal = this.reveals.get(key);
    if (!reveal) this.reveals.set(key, (reveal = revealOf(this.pages, environment, subject, this.forcer)));
    return reveal;
  }

  private columnsFor(look: Look, environment: Environment, added: readonly string[]): PartColumns[] {
    const key = `${environmentKey(environment)}|${statesUsed(look)}|${added.join()}`;
    let columns = this.columnSets.get(key);
    if (!columns) {
      const where = environmentKey(environment);
      const site = this.unlessKept('columns', where, () =>
        this.parts.map((part) => siteColumnsOf(part, this.pages, environment)),
      );
      const found = site.map((item) => columnsOf(item, look, added));
      // The same columns are the same list, so that what was worked out for them is found again.
      const names = found.map((item) => item.columns.map(({ name }) => name).join()).join('|');
      columns = this.unlessKept('column list', `${where}|${names}`, () => found);
      this.columnSets.set(key, columns);
      forgetOldest(this.columnSets, MAX_KEPT);
    }
    return columns;
  }

  /** A part as a frame shows it in a column's state: the page so, and where the part stands in it. */
  seenIn(
    partName: string,
    columnName: string,
    options: { look?: Look; environment?: Environment; place?: EditingPlace; open?: string | undefined } = {},
  ): SeenSubject {
    const { look = EMPTY_LOOK, environment = DESKTOP, place = {}, open } = options;
    const part = this.partOf(partName);
    const column = this.requireColumn(columnName);
    const subject = this.subjectFor(part, look, place);
    const bits = shownBits(column) & (subject.states.possible | ~CARRIED);
    const own = this.revealFor(subject, environment);
    const also = open === undefined ? undefined : this.revealFor(this.subjectFor(this.partOf(open), look), environment);
    const reveal = also
      ? { changes: [...own.changes, ...also.changes], pointed: [...own.pointed, ...also.pointed] }
      : own;
    return this.forcer.see(this.pages, environment, subject, bits, reveal);
  }

  /** Ways of opening the page in which parts are seen, with the page at rest first: what geometry is wanted of. */
  openings(
    look: Look = EMPTY_LOOK,
    environment: Environment = DESKTOP,
  ): { readonly key: string; readonly seen: SeenSubject }[] {
    const found = new Map<string, SeenSubject>();
    for (const part of this.parts) {
      for (const { subject } of this.groupsOf(part, look, environment)) {
        const reveal = this.revealFor(subject, environment);
        const key = openedKey(reveal);
        if (key && !found.has(key))
          found.set(key, this.forcer.see(this.pages, environment, subject, subject.states.atRest, reveal));
      }
    }
    const rest = this.forcer.see(this.pages, environment, this.parts[0]!.subjects[0]!, 0);
    return [{ key: '', seen: rest }, ...[...found].map(([key, seen]) => ({ key, seen }))];
  }

  /** Parts that the page hides at rest and that can be shown open: sub-menus, panels, dialogs; outermost first. */
  openable(environment: Environment = DESKTOP): { readonly name: string; readonly label: string }[] {
    const seen = new Set<string>();
    return this.parts.flatMap((part) => {
      const { changes, pointed } = this.revealFor(this.subjectFor(part, EMPTY_LOOK), environment);
      const key = JSON.stringify([changes, pointed.map(({ order }) => order)]);
      if ((!changes.length && !pointed.length) || seen.has(key)) return [];
      seen.add(key);
      return [{ name: part.part.name, label: part.part.label }];
    });
  }

  /** The part that each element of the component is, by the elements' orders; the first part that names it. */
  partsByOrder(): ReadonlyMap<number, string> {
    const result = new Map<number, string>();
    for (const { part, elements } of this.parts) {
      if (part.pseudo !== undefined) continue;
      for (const { order } of elements) if (!result.has(order)) result.set(order, part.name);
    }
    return result;
  }

  private requireColumn(name: string): StateColumn {
    const column = columnNamed(name);
    if (!column) throw new UnknownCellError(`No state is called "${name}".`);
    return column;
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
    return this.forcer.see(this.pages, environment, subject, bits).style;
  }

  private cell(ref: CellRef): { part: FoundPart; row: Row; column: StateColumn } {
    const row = rowNamed(ref.row);
    if (!row) throw new UnknownCellError(`There is no row called "${ref.row}".`);
    return { part: this.partOf(ref.part), row, column: this.requireColumn(ref.column) };
  }

  /** Why the site gives a cell its value, what would win there, and what is meant for it but misses it. */
  explainCell(ref: CellRef, environment: Environment = DESKTOP): CellExplanation {
    const { part, row, column } = this.cell(ref);
    const subject = this.subjectFor(part, EMPTY_LOOK);
    const { view, element, style } = this.forcer.see(this.pages, environment, subject, shownBits(column));
    const property = row.properties[0]!;
    return {
      explanation: explain(style, property),
      idle: idleRulesFor(this.page.tree, this.page.sheets, subject.element, row.properties).map(
        ({ selector, sheet, line, misses }) => ({
          selector,
          sheet,
          line,
          hint: misses[0]!.hint,
          suggestion: misses[0]!.selector,
        }),
      ),
      leftBehind: property === 'color' && part.part.pseudo === undefined ? leftBehind(view, element) : [],
    };
  }

  /** What would become of a rule of the owner's for a cell. */
  checkRule(ref: CellRef, selector: string, environment: Environment = DESKTOP): RuleCheck {
    const { part } = this.cell(ref);
    const { element } = this.subjectFor(part, EMPTY_LOOK);
    return checkRule(this.page.tree, element, this.explainCell(ref, environment).explanation, selector);
  }

  /** Texts that a colour set on a part does not reach, with the parts that they are. */
  colourChildren(ref: CellRef, environment: Environment = DESKTOP): TakenAlong[] {
    const { part, column } = this.cell(ref);
    if (part.part.pseudo !== undefined) return [];
    const subject = this.subjectFor(part, EMPTY_LOOK);
    const { view, element, stage } = this.forcer.see(this.pages, environment, subject, shownBits(column));
    return leftBehind(view, element).map((left): TakenAlong => {
      const [node] = selectAll(stage.tree, left.path);
      const owner =
        node &&
        this.parts.find(
          (other) =>
            other !== part &&
            other.part.pseudo === undefined &&
            other.elements.some(({ order }) => order === node.order),
        );
      return { ...left, part: owner?.part.name };
    });
  }

  /** The whole state sheet under a look. */
  sheet(look: Look, request: SheetRequest = {}): StateSheet {
    const { environment = DESKTOP, place = {}, added = [], also } = request;
    const unfolded = new Set(request.unfolded ?? this.parts.slice(0, 1).map(({ part }) => part.name));
    const whole = new Set(request.whole ?? []);
    const where = this.placeFor(place);
    const styled = this.styled(look, environment, where);
    const { pages } = styled;
    const byPart = this.columnsFor(look, environment, added);
    const columns = unionOf(byPart);
    const muted = look.settings.filter((setting) => look.muted.includes(settingKey(setting)));
    const rows = byPart.flatMap((item) => {
      const { name } = item.part.part;
      if (!unfolded.has(name)) return [];
      const all = whole.has(name);
      const besides = also?.part === name ? also.rows : [];
      const plans = this.relativesOf(item.part).map((other) => styled.planOf(other));
      return this.unlessKept(
        `rows ${name}`,
        [environment, place, columns, all, besides, look.exceptions, muted, plans],
        () => this.rowsOf(item, look, environment, place, styled, columns, all, besides),
      );
    });
    const checks = this.checks.own(look, environment, place, added);
    return {
      columns,
      parts: byPart.map((item) => this.describe(item, look, place, checks)),
      missing: this.kind.parts
        .filter((part) => !this.parts.some((found) => found.part === part))
        .map(({ name, label, find }) => ({ name, label, tried: find })),
      rows,
      checks,
      notes:
        this.kind.name === 'scrollbar'
          ? scrollbarNotes(
              this.parts,
              (subject) => this.forcer.see(this.pages, environment, subject, 0).style,
              (subject) => this.forcer.see(pages, environment, subject, 0).style,
            )
          : [],
      problems: this.problems(look),
      conflicts: this.options.before ? this.conflicts(look, environment, place) : [],
    };
  }

  /** A subject in a column's state with whatever hides it opened, and what it is measured with. */
  private lookAt(site: StagedPages, environment: Environment, subject: Subject, column: StateColumn): LookedAt {
    const reveal = this.revealFor(subject, environment);
    const seen = this.forcer.see(site, environment, subject, shownBits(column), reveal);
    return { ...seen, looking: this.page.measures.looking(seen.view, openedKey(reveal)) };
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

  /** How a subject that the pointer opens is seen where the focus is on what is pointed at instead. */
  private openedByFocus(pages: StagedPages, environment: Environment, subject: Subject): (() => LookedAt) | undefined {
    const reveal = this.revealFor(subject, environment);
    const [pointed] = reveal.pointed;
    if (!pointed) return undefined;
    const control = [pointed, ...descendants(pointed)].find((node) => isTarget(node) && node !== subject.element);
    return () => {
      const { stage } = this.forcer.see(pages, environment, subject, 0, { ...reveal, pointed: [] });
      const forced = forceStates(control ? [[stage.tree.elements[control.order]!, FOCUSED]] : []);
      const view = stage.stylesFor(environment).at(forced);
      const element = stage.tree.elements[subject.element.order]!;
      return {
        stage,
        view,
        element,
        style: view.of(element, subject.pseudo),
        looking: this.page.measures.looking(view),
      };
    };
  }

  /** Parts that stand around, within or beside a part as one element; what they look like can change what it is. */
  private relativesOf(part: FoundPart): readonly string[] {
    this.relatives ??= new Map(
      this.parts.map((own) => {
        const elements = new Set(own.elements);
        const around = new Set(own.elements.flatMap((element) => [...selfAndAncestors(element)]));
        const related = this.parts.filter(
          (other) =>
            other.part.name === own.part.name ||
            other.elements.some((element) => around.has(element)) ||
            other.elements.some((element) => [...selfAndAncestors(element)].some((node) => elements.has(node))),
        );
        return [own.part.name, related.map(({ part: { name } }) => name)];
      }),
    );
    return this.relatives.get(part.part.name) ?? [];
  }

  /** What was worked out before, while what it was worked out from has not changed. */
  private unlessKept<T>(name: string, asked: readonly unknown[] | string, make: () => T): T {
    const key = typeof asked === 'string' ? asked : JSON.stringify(asked);
    let known = this.kept.get(name);
    if (!known) this.kept.set(name, (known = new Map()));
    if (known.has(key)) return known.get(key) as T;
    const value = make();
    known.set(key, value);
    forgetOldest(known, MAX_VERSIONS);
    return value;
  }

  private describe(
    { part, columns }: PartColumns,
    look: Look,
    place: EditingPlace,
    checks: StateSheet['checks'],
  ): SheetPart {
    const { name, label, pseudo } = part.part;
    const own = checks.filter((check) => check.part === name);
    return {
      name,
      label,
      pseudo,
      carrier: part.carrier?.part.name ?? name,
      selector: part.selector,
      reach: part.elements.length,
      corrected: part.corrected,
      columns: columns.map((column) => column.name),
      order: this.subjectFor(part, look, place).element.order,
      short: own.filter((check) => check.verdict === 'short').length,
      unsure: own.filter((check) => check.verdict === 'unsure').length,
      settings: look.settings.filter((setting) => setting.part === name).length,
    };
  }

  /** Values that the look sets in a state in which a wider component's look has one of its own. */
  private conflicts(look: Look, environment: Environment, place: EditingPlace): string[] {
    return this.parts.flatMap((part) => {
      const settings = activeSettings(look).filter((setting) => setting.part === part.part.name);
      if (!settings.length) return [];
      const subject = this.subjectFor(part, look, place);
      const resolver = new LookResolver(this.pages, environment, subject, settings, this.placeFor(place), this.forcer);
      const found = settings.filter((setting) => {
        const winner = resolver.siteWinner(setting.property, bitsOfWhen(setting.when));
        return winner?.declaration.place.sheet === OTHER_LOOKS;
      });
      return [
        ...new Set(
          found.map(({ property, when }) => `${part.part.label}, ${property}, ${stateWords(bitsOfWhen(when))}`),
        ),
      ];
    });
  }

  /** What of the look cannot be used here. */
  private problems(look: Look): string[] {
    const problems: string[] = [];
    for (const exception of look.exceptions) {
      const part = this.parts.find((item) => item.part.name === exception.part);
      if (part && !this.membersOf(exception, part).length) {
        problems.push(`The exception “${exception.name}” reaches nothing on this page.`);
      }
    }
    return problems;
  }

  private rowsOf(
    { part, columns: own }: PartColumns,
    look: Look,
    environment: Environment,
    place: EditingPlace,
    styled: LookedPage,
    columns: readonly StateColumn[],
    whole: boolean,
    also: readonly string[] = [],
  ): SheetRow[] {
    const { name } = part.part;
    const all = look.settings.filter((setting) => setting.part === name);
    const set = new Set(all.map((setting) => setting.property));
    const subject = this.subjectFor(part, look, place);
    const resolver = this.resolverFor({ part, columns: own }, look, environment, place);
    const carrier = part.carrier?.part.name ?? name;
    const style = (bits: StateBits): ElementStyle => this.forcer.see(styled.pages, environment, subject, bits).style;
    const wanted = this.rowsWanted(part, set, whole, also);
    const rowKeys = wanted.map(({ row }) => row.key);
    const names = own.map((column) => column.name);
    const states = all.map(({ when }) => bitsOfWhen(when));
    const inPlay = states.reduce((bits, state) => bits | state, 0);
    const byColumn = columns.map((column) => {
      const shown = shownBits(column);
      const { view } = this.forcer.see(this.pages, environment, subject, shown);
      const asked = [
        environment,
        place,
        column.name,
        names,
        rowKeys,
        look.exceptions,
        inPlay,
        all.filter((_setting, i) => isSubset(states[i]!, shown) || isSubset(states[i]!, setBits(column))),
        look.muted,
        styled.saidIn(ViewSet.of([view])),
      ];
      return this.unlessKept(`cells ${name} ${whole ? 'all' : 'first'} ${column.name}`, asked, () =>
        wanted.map(({ row }) =>
          cellOf({
            look,
            row,
            part: name,
            carrier,
            set,
            column,
            columns: own,
            place,
            resolver,
            siteStyle: (bits) => resolver.siteStyle(bits),
            style,
          }),
        ),
      );
    });
    return wanted.map(({ row, first }, i): SheetRow => ({
      part: name,
      row,
      first,
      cells: byColumn.map((cells) => cells[i]!),
    }));
  }

  /** The resolver of a part, kept while nothing that it depends on has changed. */
  private resolverFor(
    { part, columns }: PartColumns,
    look: Look,
    environment: Environment,
    place: EditingPlace,
  ): LookResolver {
    const { name } = part.part;
    const subject = this.subjectFor(part, look, place);
    const extra = columns.reduce((bits, column) => bits | shownBits(column) | setBits(column), 0);
    const { settings = [], text = '' } = settingsByPart(look).get(name) ?? {};
    const where = [place.page, place.viewport, place.scheme, place.exception].join('/');
    const key = [
      environmentKey(environment),
      where,
      exceptionsKey(look.exceptions),
      subject.element.order,
      extra,
      text,
    ].join('|');
    return this.unlessKept(`resolver ${name}`, key, () => {
      const own = settingsFor({ settings, exceptions: this.exceptionsOf(part, look) }, subject.element);
      return new LookResolver(this.pages, environment, subject, own, this.placeFor(place), this.forcer, extra);
    });
  }

  private rowsWanted(
    part: FoundPart,
    set: ReadonlySet<string>,
    whole: boolean,
    also: readonly string[],
  ): { row: Row; first: boolean }[] {
    const early = new Set<string>(part.part.first);
    const isSet = (row: Row) => row.properties.every((property) => set.has(property));
    const covered = (row: Row) => {
      const above = row.under === undefined ? undefined : rowNamed(row.under);
      return above !== undefined && isSet(above);
    };
    const wanted = ROWS.flatMap((row) => {
      const first = early.has(row.key) || (isSet(row) && !covered(row));
      return first || whole || also.includes(row.key) ? [{ row, first }] : [];
    });
    if (whole) return wanted;
    // What matters first stands in the order that the kind gives, and what else is set behind it.
    const rank = ({ row }: { row: Row }) => (early.has(row.key) ? part.part.first.indexOf(row.key) : ROWS.length);
    return wanted.sort((a, b) => rank(a) - rank(b));
  }

  /** Measures trial colours in a cell, in its own column and all that follow it. */
  tryColours(look: Look, ref: CellRef, colours: readonly string[], request: SheetRequest = {}): TrackSample[] {
    const { environment = DESKTOP, ...rest } = request;
    const { part, row, column } = this.cell(ref);
    const [property] = row.properties;
    const tried = { part: part.part.name, property: property!, column: column.name };
    return tryColours(property!, this.trials.cases(look, tried, { ...rest, environment }), colours);
  }

  /** What a part looks like in a column under a look, by the properties that are asked for. */
  valuesIn(
    look: Look,
    partName: string,
    column: StateColumn,
    request: SheetRequest,
    properties: readonly string[],
  ): ReadonlyMap<string, string> {
    const { environment = DESKTOP, place = {} } = request;
    const { pages } = this.styled(look, environment, this.placeFor(place));
    const part = this.partOf(partName);
    const { style } = this.lookAt(pages, environment, this.subjectFor(part, look, place), column);
    return new Map(properties.map((property) => [property, style.text(property)]));
  }

  /** A part's element as it is seen in a column, and what it is measured with. */
  seenUnder(look: Look, partName: string, columnName: string, request: SheetRequest = {}): LookedAt {
    const { environment = DESKTOP, place = {} } = request;
    const { pages } = this.styled(look, environment, this.placeFor(place));
    const subject = this.subjectFor(this.partOf(partName), look, place);
    return this.lookAt(pages, environment, subject, this.requireColumn(columnName));
  }

  /** The elements of a part that the page tells apart, each as it is seen in a column. */
  allSeenUnder(look: Look, partName: string, columnName: string, request: SheetRequest = {}): LookedAt[] {
    const { environment = DESKTOP, place = {} } = request;
    const { pages } = this.styled(look, environment, this.placeFor(place));
    const column = this.requireColumn(columnName);
    return this.groupsOf(this.partOf(partName), look, environment).map(({ subject }) =>
      this.lookAt(pages, environment, subject, column),
    );
  }

  /** The parts on the page with their columns. */
  columnsOfParts(look: Look, request: SheetRequest = {}): readonly PartColumns[] {
    return this.columnsFor(look, request.environment ?? DESKTOP, request.added ?? []);
  }

  /** The part whose ground lies behind a part's text: its own, or that of the nearest part around it. */
  groundPart(look: Look, partName: string, columnName: string, request: SheetRequest = {}): string | undefined {
    const { element, view } = this.seenUnder(look, partName, columnName, request);
    const byOrder = this.partsByOrder();
    for (const node of selfAndAncestors(element)) {
      const style = view.of(node);
      const paints = style.colour('background-color').alpha > 0 || style.text('background-image') !== 'none';
      if (paints) return node === element ? partName : byOrder.get(node.order);
    }
    return undefined;
  }

  /** What opens or shows a part that the page hides at rest. */
  reveal(partName: string, environment: Environment = DESKTOP): Reveal {
    const part = this.partOf(partName);
    return this.revealFor(this.subjectFor(part, EMPTY_LOOK), environment);
  }

  /** The element that stands for a part, with what its markup can carry. */
  standingFor(partName: string, look: Look = EMPTY_LOOK, place: EditingPlace = {}): Subject {
    return this.subjectFor(this.partOf(partName), look, place);
  }

  /** The elements of a part, to choose members of an exception from. */
  members(partName: string): PartMember[] {
    return membersOf(this.page.tree, this.partOf(partName));
  }

  /** The look's CSS for every width, without its proof; what other components are resolved over. */
  css(look: Look): string {
    const cases = this.casesFor(look);
    const place: Place = { bounds: this.bounds, page: this.options.pageId };
    const plans = this.parts.flatMap((part) =>
      activeSettings(look).some((setting) => setting.part === part.part.name)
        ? [planHandover(this.planInput(part, look, cases, place, this.groupsOf(part, look, DESKTOP)))]
        : [],
    );
    return printBare(plans);
  }

  /** The environments in which a look is planned and proven on this page. */
  private casesFor(look: Look): readonly EnvironmentCase[] {
    const settings = activeSettings(look);
    const widths = [...new Set(settings.flatMap(({ when }) => (when.viewport ? [this.bounds[when.viewport]] : [])))];
    const scheme = settings.some(({ when }) => when.scheme !== undefined);
    if (!widths.length && !scheme) return this.page.environmentCases;
    return environmentCases(this.page.sheets, DESKTOP, { widths, scheme });
  }

  /**
   * The CSS that gives the look on the site, and its proof in every state and environment.
   *
   * @param fonts files that the site has for families; the rules of those that the look names stand first
   */
  handover(look: Look = EMPTY_LOOK, name = this.kind.label, fonts: readonly FontFile[] = []): HandoverResult {
    const { pageId } = this.options;
    const cases = this.casesFor(look);
    const used = this.parts.filter(({ part }) => activeSettings(look).some((setting) => setting.part === part.name));
    const plan = (place: Place, more: (settings: readonly Setting[]) => Partial<PlanInput> | undefined) =>
      used.flatMap((part) => {
        const input = this.planInput(part, look, cases, place, eachAlone(part));
        const extra = more(input.settings);
        return extra ? [planHandover({ ...input, ...extra })] : [];
      });
    const plans = plan({ bounds: this.bounds }, () => ({}));
    let css = printPlans(plans, name);
    if (this.kind.name === 'scrollbar' && css) css += `\n${this.standardBar(look)}`;
    const faces = fontFaces(fontsOf(look, fonts));
    if (faces && css) css = `${faces}\n\n${css}`;
    const pagePlans =
      pageId === undefined
        ? []
        : plan({ bounds: this.bounds, page: pageId }, (settings) => {
            const only = new Set(settings.filter(({ when }) => when.page === pageId).map(({ property }) => property));
            return only.size ? { only, over: plans } : undefined;
          });
    const pageCss = printPlans(pagePlans, `${name}, on this page alone`);
    const place: Place = { bounds: this.bounds, page: pageId };
    const proven = used.map((part) => this.planInput(part, look, cases, place, []));
    const proof = prove(proven, pageCss ? `${css}\n${pageCss}` : css, this.pages);
    return { css, pageCss, plans: [...plans, ...pagePlans], proof, cases: cases.length };
  }

  private standardBar(look: Look): string {
    const { pages } = this.styled(look, DESKTOP, this.placeFor());
    const text = (part: string, property: string) => {
      const found = this.parts.find((item) => item.part.name === part);
      const [subject] = found?.subjects ?? [];
      return subject && this.forcer.see(pages, DESKTOP, subject, 0).style.text(property);
    };
    return standardScrollbar({
      selector: this.selector,
      thumb: text('thumb', 'background-color'),
      track: text('track', 'background-color'),
      width: text('bar', 'width'),
    });
  }
}

const count = (bits: StateBits): number => {
  let left = bits;
  let n = 0;
  for (; left; left &= left - 1) n++;
  return n;
};
