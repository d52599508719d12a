/** Where a declaration stands in its sheet; lines and columns count from 1. */
export interface Place {
  readonly sheet: string;
  readonly line: number;
  readonly column: number;
}

/** One longhand as declared, shorthands already expanded. */
export interface Declaration {
  /** Canonical name; a logical one stays logical, since the element's direction decides what it sets. */
  readonly property: string;
  /** CSS text; may hold var(). For a longhand out of a shorthand with var(), see `shorthand`. */
  readonly value: string;
  readonly important: boolean;
  readonly place: Place;
  /** Set when the value can only be known after var() is substituted in the whole shorthand. */
  readonly shorthand?: string;
  /** The value holds var() or env(). */
  readonly substitutes?: boolean;
  /** Its place among the declarations of its rule. */
  readonly index?: number;
}
