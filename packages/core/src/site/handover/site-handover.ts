import type { FontFile } from '../../handover/index.js';
import type { PageChange } from '../../page/change.js';
import type { StateBits } from '../../css/selector/states.js';

/** A file of a handover. */
export interface HandoverFile {
  /** Where it goes, seen from the folder that all of them are in. */
  readonly path: string;
  readonly text: string;
  /** The one page that it is for; every page of the site where there is none. */
  readonly page?: { readonly pageId: string; readonly name: string } | undefined;
}

/** Markup that goes into a page of the site. */
export interface HtmlPatch {
  readonly page: { readonly pageId: string; readonly name: string };
  readonly change: PageChange;
}

/** A value that a page would show otherwise than the look says. */
export interface HandoverFailure {
  /** Id of the look. */
  readonly worn: string;
  readonly part: string;
  readonly property: string;
  readonly states: StateBits;
  readonly wanted: string;
  readonly got: string;
  /** Width in CSS pixels from which it is so. */
  readonly from: number;
  readonly scheme: 'light' | 'dark';
}

/** Elements that a rule reaches though they are none of the component that it is for. */
export interface ForeignReach {
  readonly worn: string;
  readonly selector: string;
  readonly elements: number;
}

/** What was compared on one page. */
export interface PageProof {
  readonly pageId: string;
  readonly name: string;
  /** Ids of the looks that reach this page. */
  readonly worn: readonly string[];
  /** Values: element × state × environment × property. */
  readonly compared: number;
  /** Ranges of width and colour scheme. */
  readonly ranges: number;
  readonly failures: readonly HandoverFailure[];
  readonly foreign: readonly ForeignReach[];
  /** Elements beyond those that are looked at one by one. */
  readonly notCompared: number;
}

/** A declaration of the site that no rule can beat. */
export interface UnbeatableRule {
  readonly worn: string;
  readonly property: string;
  readonly selector: string;
  readonly sheet: string;
  readonly line: number;
}

/** What a site takes home: its sheets, and the proof that they do what was shown. */
export interface SiteHandover {
  /** The sheet for every page first, then those for one page; none is empty. */
  readonly files: readonly HandoverFile[];
  readonly patches: readonly HtmlPatch[];
  readonly pages: readonly PageProof[];
  readonly unbeatable: readonly UnbeatableRule[];
  /** Names of the behaviours that components on its pages have, which need their script. */
  readonly behaviours: readonly string[];
  /** Looks whose component stands on no page. */
  readonly nowhere: readonly string[];
}

export interface SiteHandoverOptions {
  /** Files that the site has for font families; rules of those that looks name stand first. */
  readonly fonts?: readonly FontFile[];
  /** Name of the sheet for every page; those for one page are called after it. */
  readonly fileName?: string;
}
