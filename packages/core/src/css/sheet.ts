import type { CompiledSelector } from './selector/types.js';
import type { MediaQueryList } from './media.js';

/** Where a declaration stands in its sheet; lines and columns count from 1. */
export interface Place {
  readonly sheet: string;
  readonly line: number;
  readonly column: number;
}

/** One longhand as declared, shorthands already expanded. */
export interface Declaration {
  readonly property: string;
  /** CSS text; may hold var(). For a longhand out of a shorthand with var(), see `shorthand`. */
  readonly value: string;
  readonly important: boolean;
  readonly place: Place;
  /** Set when the value can only be known after var() is substituted in the whole shorthand. */
  readonly shorthand?: string;
}

export type Origin = 'browser' | 'author';

/** A condition under which a rule applies; all of a rule's conditions must hold. */
export type Condition =
  | { readonly kind: 'media'; readonly query: MediaQueryList }
  | { readonly kind: 'supports'; readonly holds: boolean }
  | { readonly kind: 'unknown'; readonly text: string };

export interface StyleRule {
  readonly selectors: readonly CompiledSelector[];
  readonly selectorText: string;
  readonly declarations: readonly Declaration[];
  readonly conditions: readonly Condition[];
  /** Path of layer names, outermost first; empty for unlayered rules. Anonymous layers get unique names. */
  readonly layer: readonly string[];
  readonly place: Place;
}

export interface ParsedSheet {
  readonly name: string;
  readonly rules: readonly StyleRule[];
  /** Layer paths in the order in which they first appear, empty statements included. */
  readonly layers: readonly (readonly string[])[];
  /** Addresses of @import rules at the sheet's start, with their conditions, in order. */
  readonly imports: readonly SheetImport[];
  /** Parts that could not be read, each dropped as a browser drops it. */
  readonly problems: readonly { readonly message: string; readonly place: Place }[];
}

export interface SheetImport {
  readonly address: string;
  readonly layer: readonly string[] | undefined;
  readonly conditions: readonly Condition[];
}
