import type { Check } from '../check/check.js';
import type { Rgba } from '../colour/rgba.js';
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

/** One cell: a row's value in a column's state. */
export interface Cell {
  readonly column: string;
  /** The computed value of the row's first property, as CSSOM prints it. */
  readonly computed: string;
  readonly colour: Rgba;
  /** True when the row's properties do not agree, such as four sides of different colours. */
  readonly mixed: boolean;
  /** False for an edge's colour where no edge is drawn. */
  readonly drawn: boolean;
  /** What the owner set in this very cell, as typed. */
  readonly own: string | undefined;
  readonly from: 'look' | 'site' | 'nothing';
  /** The column whose value this cell follows; undefined when the value is set for this column. */
  readonly follows: string | undefined;
  /** The site's own declaration in this state, whether or not the look replaces it. */
  readonly site: SiteSource | undefined;
}

export interface SheetRow {
  readonly part: string;
  readonly key: string;
  readonly label: string;
  readonly properties: readonly string[];
  readonly cells: readonly Cell[];
}

/** A measured check of one column, with where the worst of several stands. */
export interface ColumnCheck extends Check {
  readonly column: string;
  readonly demand: string;
  readonly label: string;
  /** How many elements were measured. */
  readonly measuredElements: number;
  /** Text of the element that the figure is of. */
  readonly worstText: string;
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

export interface StateSheet {
  readonly rows: readonly SheetRow[];
  readonly checks: readonly ColumnCheck[];
  /** The look as CSS, with markers in place of states, for the still frames. */
  readonly frameCss: string;
}
