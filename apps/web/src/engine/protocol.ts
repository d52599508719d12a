import type {
  CellExplanation,
  FoundComponent,
  Locator,
  Look,
  RuleCheck,
  StateSheet,
  TrackSample,
  ViewportName,
} from '@retoque/core';
import type { PageVersion } from '@retoque/contract';

/** What the worker needs of a page version; it is parsed there once and stays there. */
export type EnginePage = Pick<PageVersion, 'id' | 'html' | 'address' | 'sheets' | 'assets'>;

export interface ComponentRef {
  readonly versionId: string;
  readonly kind: string;
  readonly locator: Locator;
}

export interface FoundWithChecks extends FoundComponent {
  /** In how many states its text is short, and in how many nothing sure can be said. */
  readonly short: number;
  readonly unsure: number;
}

/** A cell of the state sheet. */
export interface CellRef {
  readonly row: string;
  readonly column: string;
}

export interface OpenedComponent {
  readonly selector: string;
  readonly outcome: 'matched' | 'moved';
  readonly order: number;
  readonly reach: number;
}

export interface SheetAnswer {
  readonly editNumber: number;
  readonly sheet: StateSheet;
}

export interface HandoverAnswer {
  readonly css: string;
  readonly compared: number;
  readonly widths: number;
  readonly failures: readonly {
    readonly property: string;
    readonly state: string;
    readonly wanted: string;
    readonly got: string;
  }[];
  readonly unbeatable: readonly {
    readonly property: string;
    readonly selector: string;
    readonly sheet: string;
    readonly line: number;
  }[];
}

export interface SiteColour {
  readonly hex: string;
  readonly uses: number;
  /** The custom property that holds it, when one does. */
  readonly name: string | undefined;
}

/** The computation behind the screens; it runs in a worker, so that it never holds up the interface. */
export interface Engine {
  open(page: EnginePage): Promise<{ title: string }>;
  find(versionId: string, looks: readonly { kind: string; locator: Locator; look: Look }[]): Promise<FoundWithChecks[]>;
  liveFrame(versionId: string): Promise<string>;
  stillFrame(component: ComponentRef, column: string): Promise<string>;
  component(component: ComponentRef): Promise<OpenedComponent>;
  sheet(component: ComponentRef, look: Look, viewport: ViewportName, editNumber: number): Promise<SheetAnswer>;
  tryColours(
    component: ComponentRef,
    look: Look,
    viewport: ViewportName,
    cell: CellRef,
    colours: readonly string[],
  ): Promise<TrackSample[]>;
  explain(component: ComponentRef, viewport: ViewportName, cell: CellRef): Promise<CellExplanation>;
  checkRule(component: ComponentRef, viewport: ViewportName, cell: CellRef, selector: string): Promise<RuleCheck>;
  handover(component: ComponentRef, look: Look, name: string): Promise<HandoverAnswer>;
  siteColours(versionId: string): Promise<SiteColour[]>;
}
