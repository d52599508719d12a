import type { Demand } from '../component/kind.js';
import type { ColumnCheck } from '../ledger/ledger-check.js';
import type { Tally } from '../ledger/tally.js';
import type { Rgba } from '../colour/rgba.js';
import type { StateColumn } from '../component/state-column.js';
import type { Row } from '../component/rows.js';
import type { Explanation, LeftBehind } from '../css/explain/index.js';

/** The declaration of the site that decides a value, as it is shown under "set on your site by". */
export interface SiteSource {
  readonly selector: string;
  readonly sheet: string;
  readonly line: number;
  readonly column: number;
  readonly important: boolean;
  readonly inline: boolean;
  /** The declared text. */
  readonly value: string;
  /** How many other declarations of the site it wins over. */
  readonly beats: number;
}

/** A condition of the look that a value was set under, other than the one in hand. */
export type WiderPlace = 'wider' | 'every-page' | 'light' | 'full-motion' | 'all-members';

/** A value that some elements of a part have. */
export interface MemberValue {
  readonly value: string;
  readonly colour: Rgba | undefined;
  /** Their orders in the document. */
  readonly members: readonly number[];
}

/** One cell: a row's value in a column's state. */
export interface Cell {
  readonly column: string;
  /** False where the part is never in the column's state. */
  readonly applies: boolean;
  /** The computed value as CSSOM prints it; empty where several longhands have no common form. */
  readonly computed: string;
  /** The value as a colour, for rows of colours. */
  readonly colour: Rgba | undefined;
  /** True when the row's properties do not agree, such as four sides of different colours. */
  readonly mixed: boolean;
  /** False for an edge's colour where no edge is drawn. */
  readonly drawn: boolean;
  /** What the owner set in this very cell, as typed. */
  readonly own: string | undefined;
  /** True where the finish that the look follows sets it, and not the look itself. */
  readonly isOfFinish?: boolean | undefined;
  /** True when the owner's value is switched off for now. */
  readonly muted: boolean;
  readonly from: 'look' | 'site' | 'nothing';
  /** The column whose value this cell follows; undefined when the value is set for this column. */
  readonly follows: string | undefined;
  /** The condition that it follows, where the owner set it under a wider one. */
  readonly followsPlace: WiderPlace | undefined;
  /** Where the part's elements differ: each value with how many have it, the most first; the cell shows the first. */
  readonly differs: readonly MemberValue[] | undefined;
  /** The site's own declaration in this state, whether or not the look replaces it. */
  readonly site: SiteSource | undefined;
}

export interface SheetRow {
  readonly part: string;
  readonly row: Row;
  readonly cells: readonly Cell[];
  /** True for a row that matters first or that the look sets. */
  readonly first: boolean;
}

/** A part as it was found on the page. */
export interface SheetPart extends Tally {
  readonly name: string;
  readonly label: string;
  /** What it is called where its owner calls it nothing else. */
  readonly usual: string;
  readonly pseudo: string | undefined;
  /** Name of the part whose states its settings are under. */
  readonly carrier: string;
  readonly selector: string;
  readonly reach: number;
  readonly corrected: boolean;
  /** Names of the columns that the part has values in. */
  readonly columns: readonly string[];
  /** Order in the document of the element that stands for it. */
  readonly order: number;
  /** How many settings the look has for it. */
  readonly settings: number;
}

/** Why the site gives a cell its value; plain data, so that it can leave the worker. */
export interface CellExplanation {
  readonly explanation: Explanation;
  /** Rules of the site that are meant for the element and miss it by a slip. */
  readonly idle: readonly {
    readonly selector: string;
    readonly sheet: string;
    readonly line: number;
    readonly hint: string;
    readonly suggestion: string;
  }[];
  /** Texts inside the element that a colour set on it does not reach. */
  readonly leftBehind: readonly LeftBehind[];
}

const sameSource = (a: SiteSource | undefined, b: SiteSource | undefined): boolean =>
  a === b || (a?.selector === b?.selector && a?.sheet === b?.sheet && a?.line === b?.line && a?.beats === b?.beats);

const sameValues = (a: Cell['differs'], b: Cell['differs']): boolean =>
  a === b ||
  (a?.length === b?.length &&
    (a ?? []).every(({ value, members }, i) => value === b![i]!.value && members.join() === b![i]!.members.join()));

const sameCell = (a: Cell, b: Cell): boolean =>
  a.column === b.column &&
  a.applies === b.applies &&
  a.computed === b.computed &&
  a.mixed === b.mixed &&
  a.drawn === b.drawn &&
  a.own === b.own &&
  a.isOfFinish === b.isOfFinish &&
  a.muted === b.muted &&
  a.from === b.from &&
  a.follows === b.follows &&
  a.followsPlace === b.followsPlace &&
  sameValues(a.differs, b.differs) &&
  sameSource(a.site, b.site);

/** Whether two rows, of one sheet before and after an edit, show the same. */
export const sameRow = (a: SheetRow, b: SheetRow): boolean =>
  a === b ||
  (a.part === b.part &&
    a.row.key === b.row.key &&
    a.first === b.first &&
    a.cells.length === b.cells.length &&
    a.cells.every((cell, i) => sameCell(cell, b.cells[i]!)));

export interface StateSheet {
  readonly columns: readonly StateColumn[];
  /** Parts that stand on the page, in the kind's order. */
  readonly parts: readonly SheetPart[];
  /** Parts that this page does not have. */
  /** What is asked of its parts. */
  readonly demands: readonly Demand[];
  readonly missing: readonly { readonly name: string; readonly label: string; readonly tried: readonly string[] }[];
  /** Rows of the parts that were asked for. */
  readonly rows: readonly SheetRow[];
  readonly checks: readonly ColumnCheck[];
  /** What else there is to know, such as how wide a scrollbar is. */
  readonly notes: readonly string[];
  /** Settings of the look that cannot be used on this page, and why. */
  readonly problems: readonly string[];
  /** What the look sets over the look of a component that reaches wider. */
  readonly conflicts: readonly string[];
}
