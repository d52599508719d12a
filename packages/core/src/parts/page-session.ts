import { finish, type Steps } from '../base/steps.js';
import { findComponents } from '../component/find.js';
import type { FoundComponent } from '../component/found.js';
import { findRest } from '../component/rest.js';
import { proposalsAt, type Proposal } from '../component/take.js';
import { RuleIndex } from '../css/cascade/rules.js';
import { type CascadeSheet } from '../css/cascade/rule-entry.js';
import { DESKTOP, type Environment } from '../css/conditions/environment.js';
import type { ForcedStates } from '../css/selector/forced.js';
import type { KnownMeasures } from '../css/cascade/known-measures.js';
import type { PageStyles } from '../css/cascade/page-styles.js';
import { environmentCases, type EnvironmentCase } from '../handover/environments.js';
import { PageMeasures } from './page-measures.js';
import { buildFrame } from '../page/frame.js';
import { parseHtml } from '../tree/parse-html.js';
import { baseOf, cascadeSheets, givenSheets, sheetUses, titleOf, type StoredSheet } from '../page/sheets.js';
import { countingColours, type SiteColourUse } from '../page/site-colours.js';
import { StagedPages } from '../page/staged-pages.js';
import type { PageTree } from '../tree/tree.js';

export interface PageSource {
  readonly html: string;
  /** The page's own address, which its relative addresses refer to. */
  readonly address: string;
  readonly sheets: readonly StoredSheet[];
  /** Sheets that the page does not link, put behind its own. */
  readonly more?: readonly StoredSheet[];
}

/** One page, parsed once; everything asked of it shares the tree, the sheets and the styles. */
export class PageSession {
  readonly tree: PageTree;
  readonly sheets: readonly CascadeSheet[];
  readonly index: RuleIndex;
  readonly known: KnownMeasures;
  /** The page in every state of its markup. */
  readonly pages: StagedPages;
  /** Where things stand on it, and its pictures, as far as they were measured. */
  readonly measures: PageMeasures;
  private cases: readonly EnvironmentCase[] | undefined;
  private found: readonly FoundComponent[] | undefined;
  private left: readonly FoundComponent[] | undefined;
  private used: readonly SiteColourUse[] | undefined;

  constructor(
    readonly source: PageSource,
    measures: KnownMeasures = {},
    taken = new PageMeasures(),
  ) {
    this.measures = taken;
    this.tree = parseHtml(source.html);
    this.sheets = cascadeSheets(
      [...sheetUses(this.tree, source.address, source.sheets), ...givenSheets(source.more ?? [])],
      [...source.sheets, ...(source.more ?? [])],
      this.tree.quirks,
    );
    this.index = new RuleIndex(this.tree, this.sheets);
    this.known = { ...measures, base: baseOf(this.tree, source.address) };
    this.pages = StagedPages.of(this.index, this.known);
  }

  get title(): string {
    return titleOf(this.tree);
  }

  /** The site's own styles in an environment. */
  stylesFor(environment: Environment = DESKTOP): PageStyles {
    return this.pages.at().stylesFor(environment);
  }

  /** The environments that the page's sheets tell apart. */
  get environmentCases(): readonly EnvironmentCase[] {
    this.cases ??= environmentCases(this.sheets);
    return this.cases;
  }

  /** Colours of the site's own sheets, the most used first. */
  get colours(): readonly SiteColourUse[] {
    return finish(this.countingColours());
  }

  /** The same bit by bit: a large framework sets thousands. */
  *countingColours(): Steps<readonly SiteColourUse[]> {
    return (this.used ??= yield* countingColours(this.sheets));
  }

  components(): readonly FoundComponent[] {
    this.found ??= findComponents(this.stylesFor());
    return this.found;
  }

  /** What of the page belongs to none of them, by section. */
  rest(): readonly FoundComponent[] {
    this.left ??= findRest(this.stylesFor(), this.components());
    return this.left;
  }

  /** What can be taken at an element, by its order in the document. */
  proposalsAt(order: number): readonly Proposal[] {
    const element = this.tree.elements[order];
    return element ? proposalsAt(this.stylesFor(), element, this.components()) : [];
  }

  /** HTML for a preview frame; still frames show forced states, live ones answer to a real pointer. */
  frame(options: {
    readonly still: boolean;
    readonly touch?: boolean | undefined;
    readonly forced?: ForcedStates;
    readonly assetAt: (absolute: string) => string | undefined;
    readonly assetSource: string;
    /** False where no picture is to load. */
    readonly pictures?: boolean | undefined;
    /** Whether it is shown to those who ask for less motion; to whoever looks at it when absent. */
    readonly reducedMotion?: boolean | undefined;
    /** The page with its markup in some state; as it is when absent. */
    readonly tree?: PageTree;
  }): string {
    return buildFrame({ tree: this.tree, address: this.source.address, sheets: this.source.sheets, ...options });
  }
}
