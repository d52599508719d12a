import type {
  AcrossSite,
  CellExplanation,
  CheckRecord,
  CheckRef,
  ColourUse,
  ColumnCheck,
  ComponentEffect,
  CopiedLook,
  Copying,
  DarkScheme,
  Drift,
  EditingPlace,
  FontFile,
  FoundColour,
  FoundComponent,
  FrameRules,
  HeatMap,
  LedgerCheck,
  Locator,
  Look,
  LooksShown,
  MatchedLook,
  MeasuredElement,
  PageReach,
  OwnParts,
  PairInUse,
  PartMember,
  PartPairs,
  PlacedOnPage,
  Proposal,
  Remedy,
  RuleCheck,
  SettledDrift,
  SheetRow,
  SiteHandover,
  SiteFinish,
  SiteComponent,
  SitePalette,
  Solution,
  SolveScope,
  Split,
  StarterLook,
  TakenAlongAcross,
  StateSheet,
  SwapAcross,
  Tally,
  TakenAlong,
  TrackSample,
  ViewportBounds,
  ViewportName,
  WornLook,
  GivenBehaviour,
} from '@retoque/core';
import type { PageGeometry, PageVersion } from '@retoque/contract';

/** What the worker needs of a page version; it is parsed there once and stays there. */
export type EnginePage = Pick<PageVersion, 'id' | 'html' | 'address' | 'sheets' | 'assets' | 'changes'> & {
  readonly siteId: string;
  /** The page, as settings name it, and what it is called. */
  readonly pageId: string;
  readonly name: string;
};

/** What can be taken at an element, and what it would be made of. */
export interface Takeable extends Proposal {
  readonly parts: readonly { readonly label: string; readonly members: number }[];
}

/** An element in the tree of a page. */
export interface TreeElement {
  readonly order: number;
  /** As it is called in HTML: name, id and classes. */
  readonly tag: string;
  /** The first of its words. */
  readonly words: string;
  /** How many elements it holds directly. */
  readonly holds: number;
}

/** An element of a page that new markup goes beside, or in place of. */
export interface PagePlace {
  readonly locator: Locator;
  /** The element in a few words. */
  readonly name: string;
  readonly html: string;
}

/** What has changed of what a site wears. */
export interface WornChange {
  readonly bounds: ViewportBounds;
  readonly palette: SitePalette;
  readonly finishes: readonly SiteFinish[];
  readonly looks: readonly WornLook[];
  /** Ids of all components of the site in the order in which they were kept; others wear nothing any more. */
  readonly order: readonly string[];
}

/** Changes of a page that make controls of texts, to be made one after the other. */
export interface AsControls {
  readonly changes: readonly {
    readonly locator: Locator;
    readonly html: string;
    readonly before: string;
    readonly css: string;
  }[];
  readonly look: Look;
}

/** A picture or font of the site that looks may name by its path. */
export interface EngineFile {
  readonly address: string;
  readonly hash: string;
  readonly font: Omit<FontFile, 'address'> | null;
}

/** A look before a change of it, and after. */
export interface LookChange {
  readonly before: Look;
  readonly after: Look;
}

export interface ComponentRef extends OwnParts {
  readonly versionId: string;
  /** The page, as settings name it. */
  readonly pageId: string;
  readonly kind: string;
  readonly locator: Locator;
  /** Changes with what the site wears besides; the worker is told of that by itself. */
  readonly worn: string;
}

export interface FoundWithChecks extends FoundComponent, Tally {
  /** False while it was not counted yet; the counts then say nothing. */
  readonly counted: boolean;
}

/** A cell of the state sheet. */
export interface CellRef {
  readonly part: string;
  readonly row: string;
  readonly column: string;
}

export interface OpenedComponent {
  readonly selector: string;
  readonly outcome: 'matched' | 'moved';
  readonly order: number;
  readonly reach: number;
  /** True for text that is made to look like a button. */
  readonly isImposter: boolean;
}

/** Where the ledger is wanted. */
export interface LedgerQuery {
  readonly place: EditingPlace;
  readonly added: readonly string[];
  /** Changes with what was measured, so that it is asked for again. */
  readonly measured: number;
}

/** Where and how much of the sheet is wanted. */
export interface SheetQuery {
  readonly viewport: ViewportName;
  readonly place: EditingPlace;
  readonly unfolded: readonly string[];
  readonly whole: readonly string[];
  readonly added: readonly string[];
  /** Changes with the files of the site, so that the frames take them. */
  readonly files?: string | undefined;
  /** True where the frames show this component's look without those of the others. */
  readonly alone?: boolean | undefined;
  /** Changes with what was measured of the page, so that the figures do. */
  readonly measured?: number | undefined;
  /** Rows of a part that are wanted besides, for its editor. */
  readonly also?: { readonly part: string; readonly rows: readonly string[] } | undefined;
}

/** Rows that are as they were are named by their place in the sheet before, which the asker says that it holds. */
export interface SheetAnswer {
  readonly editNumber: number;
  readonly sheet: Omit<StateSheet, 'rows'>;
  readonly rows: readonly (SheetRow | number)[];
}

/** A page that is to be laid out and measured. */
export interface ToMeasure {
  /** What is opened on it; empty for the page as it is. */
  readonly opened: string;
  readonly html: string;
  /** Pointer and keyboard states that are forced somewhere in it, as bits. */
  readonly forced: number;
  /** The look, where it moves anything. */
  readonly look: readonly FrameRules[];
}

/** A still page with one part in one state, and where the part stands in it. */
export interface StillFrame {
  readonly html: string;
  readonly order: number;
  /** Pointer and keyboard states that are forced somewhere in it, as bits. */
  readonly forced: number;
}

/** What a still frame shows beside the state. */
export interface FrameView {
  /** A part that is shown open besides, though the page hides it at rest. */
  readonly open?: string | undefined;
  /** False to see the page while its pictures are not loaded. */
  readonly pictures: boolean;
}

/** A part that the page hides at rest. */
export interface Openable {
  readonly name: string;
  readonly label: string;
}

/** What another width of the page needs: the look's CSS for its frames, and its checks. */
export interface WidthAnswer {
  readonly frames: readonly FrameRules[];
  readonly checks: readonly ColumnCheck[];
}

export interface SelectorAnswer {
  readonly count: number;
  /** Why the selector cannot be used; undefined when it can. */
  readonly problem: string | undefined;
  readonly orders: readonly number[];
}

/** A font that the site's sheets load. */
export interface SiteFont {
  readonly family: string;
  /** Where the stored file is served. */
  readonly source: string;
  readonly style: string;
  readonly weight: string;
}

export interface SiteColour {
  readonly hex: string;
  readonly uses: number;
  /** The custom property that holds it, when one does. */
  readonly name: string | undefined;
}

/** Pages of a site as they are now, in its order; all were opened before. */
export interface SitePages {
  readonly siteId: string;
  readonly versions: readonly string[];
  /** Changes with what the site wears, so that it is asked for again. */
  readonly worn: string;
}

/** A colour, as CSS text. */
export interface WantedColour {
  readonly css: string;
  /** True where colours that look alike are meant too. */
  readonly near: boolean;
}

export interface WantedSwap extends WantedColour {
  /** What takes its place, and how that is written where it is a swatch. */
  readonly to: string;
  readonly written: string | undefined;
  /** Components that are wanted with the keys of their places; all when absent. */
  readonly only: ReadonlyMap<string, ReadonlySet<string> | 'all'> | undefined;
}

/** A dark scheme with what its pages would look like. */
export interface DarkSchemeAnswer extends Omit<DarkScheme, 'looks'> {
  /** All looks of a page as CSS, by its version. */
  readonly css: ReadonlyMap<string, string>;
}

/** A page as it would be under other looks than those that it wears. */
export interface PageUnder {
  readonly css: string;
  /** Texts and controls whose contrast was measured, in the plain state; those of them that fail; and what is not sure. */
  readonly measured: number;
  readonly failing: number;
  readonly unsure: number;
}

/** Told how far something has come; where it fails, the work ends. */
export type OnStep = (done: number, of: number) => Promise<void> | void;

/** Takes the look as CSS for still frames. */
export type FramesListener = (editNumber: number, rules: readonly FrameRules[]) => void;

/** The computation behind the screens; it runs in a worker, so that it never holds up the interface. */
/** How a site is looked at: what is set for it holds there; the widest and the light scheme stand for everywhere. */
export interface SeenAt {
  readonly viewport: ViewportName;
  readonly scheme: 'light' | 'dark';
}

export interface Engine {
  open(page: EnginePage): Promise<{ title: string }>;
  /** Takes note of what a site wears; of looks that are not named nothing has changed. */
  wear(siteId: string, change: WornChange): Promise<void>;
  /** Takes stored geometry of a page, and the pixels of its pictures; resolves once both are there. */
  equip(versionId: string, geometry: readonly PageGeometry[]): Promise<void>;
  /** The page as it is, to be laid out; undefined where that was done at this viewport. */
  pageToMeasure(versionId: string, viewport: ViewportName): Promise<ToMeasure | undefined>;
  /** Takes what was measured of the page as it is, and gives it as it is stored. */
  pageMeasured(versionId: string, viewport: ViewportName, elements: readonly MeasuredElement[]): Promise<PageGeometry>;
  /** What of a page is not measured yet at a viewport, under a look. */
  toMeasure(component: ComponentRef, look: Look, viewport: ViewportName): Promise<ToMeasure[]>;
  /**
   * Takes what was measured.
   *
   * @returns the same as it is stored; undefined where a look has moved something, so that it is not the page's own
   */
  measured(
    component: ComponentRef,
    look: Look,
    viewport: ViewportName,
    opened: string,
    elements: readonly MeasuredElement[],
  ): Promise<PageGeometry | undefined>;
  /** All checks at every viewport, those of advice too. */
  ledger(component: ComponentRef, look: Look, query: LedgerQuery): Promise<LedgerCheck[]>;
  remedies(
    component: ComponentRef,
    look: Look,
    query: LedgerQuery,
    check: CheckRef,
    at: ViewportName,
  ): Promise<Remedy[]>;
  solve(
    component: ComponentRef,
    look: Look,
    query: LedgerQuery,
    scope: SolveScope,
    at: ViewportName,
  ): Promise<Solution>;
  /**
   * Solves all of a component while nothing else is asked for.
   *
   * @returns undefined where it was stopped before it came to an end
   */
  prepare(component: ComponentRef, look: Look, query: LedgerQuery, at: ViewportName): Promise<Solution | undefined>;
  stopPreparing(): Promise<void>;
  /**
   * The one colour nearest to another that passes wherever the components of the site have that one.
   *
   * @param look of the component in hand, as it is now
   * @param onStep told how many components of how many were gone through; where it fails, the search ends
   */
  replaceColour(component: ComponentRef, look: Look, colour: string, onStep: OnStep): Promise<AcrossSite>;
  /** The contrast behind a part's text in every place. */
  heat(
    component: ComponentRef,
    look: Look,
    viewport: ViewportName,
    place: EditingPlace,
    part: string,
    column: string,
  ): Promise<HeatMap>;
  /** The files of the site that looks may use; those from before are forgotten. */
  useFiles(files: readonly EngineFile[]): Promise<void>;
  /** Names and files of the fonts that a page's own sheets load, where the files are stored. */
  siteFonts(versionId: string): Promise<SiteFont[]>;
  /** The components of a page by its stored geometry and its pictures, without how they fare. */
  list(versionId: string, geometry: readonly PageGeometry[]): Promise<FoundComponent[]>;
  /** How the listed components fare from one on, as many as are quickly counted; at least one. */
  count(versionId: string, from: number): Promise<Tally[]>;
  /** What can be taken at an element, the nearest component first, then the element and what holds it. */
  takeables(versionId: string, order: number): Promise<Takeable[]>;
  /** The elements that one holds directly; those of the body where none is named. */
  elementsIn(versionId: string, order?: number): Promise<TreeElement[]>;
  /** All checks of a page at a viewport, with the looks that are worn or without, in the plain state and in hover, focus and press. */
  checks(versionId: string, looks: LooksShown, viewport: ViewportName): Promise<CheckRecord[]>;
  /** Gets ready what still frames of a page need, so that the first of them comes soon. */
  warm(versionId: string): Promise<void>;
  /** @param touch true for a page that is touched as on a phone */
  liveFrame(versionId: string, touch?: boolean): Promise<string>;
  /** All looks that a page wears as CSS with real states, for every width. */
  pageCss(versionId: string): Promise<string>;
  /** The look as CSS with real states, for every width, behind the looks that reach wider. */
  liveCss(component: ComponentRef, look: Look): Promise<string>;
  stillFrame(
    component: ComponentRef,
    part: string,
    column: string,
    viewport: ViewportName,
    exceptions: Look['exceptions'],
    place: EditingPlace,
    view?: FrameView,
  ): Promise<StillFrame>;
  /** The look at another width than the one that the sheet is of. */
  atWidth(
    component: ComponentRef,
    look: Look,
    viewport: ViewportName,
    place: EditingPlace,
    alone: boolean,
  ): Promise<WidthAnswer>;
  openable(component: ComponentRef, viewport: ViewportName): Promise<Openable[]>;
  /** The part that each element is, by its order. */
  partsByOrder(component: ComponentRef): Promise<ReadonlyMap<number, string>>;
  /** The part that an element is of, or that holds it; undefined where none does. */
  partAt(component: ComponentRef, order: number): Promise<string | undefined>;
  component(component: ComponentRef): Promise<OpenedComponent>;
  /** The pages of the site that a look of a component reaches, as far as they were opened; its own page first. */
  reach(component: ComponentRef): Promise<readonly PageReach[]>;
  /** Tells of the CSS for still frames as soon as it is known, which is before the sheet is. */
  onFrames(listener: FramesListener): Promise<void>;
  /**
   * @param editNumber given to the listener too
   * @param held number of the edit whose sheet the asker holds
   */
  sheet(
    component: ComponentRef,
    look: Look,
    query: SheetQuery,
    editNumber: number,
    held: number | undefined,
  ): Promise<SheetAnswer>;
  tryColours(
    component: ComponentRef,
    look: Look,
    query: SheetQuery,
    cell: CellRef,
    colours: readonly string[],
  ): Promise<TrackSample[]>;
  explain(component: ComponentRef, viewport: ViewportName, cell: CellRef): Promise<CellExplanation>;
  checkRule(component: ComponentRef, viewport: ViewportName, cell: CellRef, selector: string): Promise<RuleCheck>;
  /** Texts that a colour set on a part does not reach. */
  colourChildren(component: ComponentRef, viewport: ViewportName, cell: CellRef): Promise<TakenAlong[]>;
  members(component: ComponentRef, part: string): Promise<PartMember[]>;
  /** How many elements a selector reaches, for a part that is corrected. */
  trySelector(versionId: string, selector: string): Promise<SelectorAnswer>;
  /** What it takes to make a part of its own of some members of a part. */
  splitOff(
    component: ComponentRef,
    look: Look,
    part: string,
    orders: ReadonlySet<number>,
  ): Promise<Omit<Split, 'name'>>;
  /** A selector for an element that was pointed at. */
  selectorOf(component: ComponentRef, order: number): Promise<string>;
  /** @throws when the page's source does not write the element out */
  placeAt(versionId: string, order: number): Promise<PagePlace>;
  /** Where the pictures of a page are served, by the absolute addresses that its HTML means. */
  pictures(versionId: string): Promise<{ base: string; served: ReadonlyMap<string, string> }>;
  /** The texts of a component as links or buttons that look as they do, and its look for them. */
  asControls(component: ComponentRef, look: Look, tag: 'a' | 'button'): Promise<AsControls>;
  /**
   * A component's markup with one of its kind's behaviours in it.
   *
   * @throws with the reason where its markup has nothing for it
   */
  giveBehaviour(component: ComponentRef, name: string): Promise<GivenBehaviour>;
  /**
   * The CSS of a site, with its proof on every page.
   *
   * @param versions of its pages, which were opened before
   * @param ids of the components whose looks are handed over
   * @param onStep told how far it has come; where it fails, the work ends
   */
  handover(siteId: string, versions: readonly string[], ids: readonly string[], onStep: OnStep): Promise<SiteHandover>;
  siteColours(versionId: string): Promise<SiteColour[]>;
  /** All colours of a site's own sheets and style attributes, the most used first. */
  coloursOfSite(at: SitePages): Promise<FoundColour[]>;
  /** Where a site's sheets have a colour. */
  findColour(at: SitePages, wanted: WantedColour, onStep: OnStep): Promise<ColourUse[]>;
  /** One colour in another's place across a site, with the checks that change. */
  swapColour(at: SitePages, swap: WantedSwap, onStep: OnStep): Promise<SwapAcross>;
  /** A dark scheme for a site, with the checks that are otherwise in it. */
  darkScheme(at: SitePages, onStep: OnStep): Promise<DarkSchemeAnswer>;
  /** Things that look alike and are not quite. */
  findDrift(at: SitePages, seen: SeenAt, onStep: OnStep): Promise<Drift[]>;
  /** The same made alike, with the checks that change. */
  settleDrift(at: SitePages, seen: SeenAt, drifts: readonly Drift[], onStep: OnStep): Promise<SettledDrift>;
  /** One page of a site under looks. */
  pageUnder(at: SitePages, versionId: string, looks: readonly WornLook[]): Promise<PageUnder>;
  /** Looks of a kind to start from. */
  starterLooks(kind: string): Promise<readonly StarterLook[]>;
  /** Every component of a site once, on the first page that has it. */
  componentsOfSite(at: SitePages): Promise<SiteComponent[]>;
  /** The look of one thing on another, in every state, with the checks that change. */
  matchLook(
    at: SitePages,
    from: PlacedOnPage,
    to: PlacedOnPage,
    pairs: PartPairs | undefined,
    onStep: OnStep,
  ): Promise<MatchedLook>;
  /** What a change of one look asks of the other components of the site, and what mends them. */
  takeAlong(
    at: SitePages,
    inHand: Pick<WornLook, 'kind' | 'locator' | 'name'> & Pick<ComponentRef, 'versionId'> & LookChange,
    onStep: OnStep,
  ): Promise<TakenAlongAcross>;
  /** A look on other components of its kind or a related one, with the checks that change. */
  copyLook(
    at: SitePages,
    from: Pick<WornLook, 'kind' | 'locator' | 'look'>,
    copying: Copying,
    onStep: OnStep,
  ): Promise<CopiedLook>;
  /** The checks that change where a site has other finishes. */
  tryFinishes(at: SitePages, finishes: readonly SiteFinish[], onStep: OnStep): Promise<ComponentEffect[]>;
  /** The checks that change where a site's palette is another one. */
  tryPalette(at: SitePages, palette: SitePalette, onStep: OnStep): Promise<ComponentEffect[]>;
  /** Colours of text with the plain colours that they stand on. */
  findPairs(at: SitePages, onStep: OnStep): Promise<PairInUse[]>;
  /** Font families that the site's sheets name or load, as CSS text. */
  siteFamilies(versionId: string): Promise<string[]>;
}
