import type { StyledPage } from '../css/styles.js';
import type { Atom } from '../css/selector/states.js';
import type { ElementNode } from '../page/tree.js';

/** A row of the state sheet: one plain name for one longhand, or for several that are set together. */
export interface Row {
  readonly key: string;
  readonly label: string;
  readonly properties: readonly string[];
  readonly editor: 'colour';
}

export interface Part {
  readonly name: string;
  readonly label: string;
  readonly rows: readonly Row[];
}

/** A column of the state sheet. */
export interface StateColumn {
  readonly name: string;
  readonly label: string;
  /** How CSS writes it; empty for the default. */
  readonly pseudo: string;
  /** Atoms under which a value of this column is set. */
  readonly atoms: readonly Atom[];
  /** Atoms that hold when a person brings the state about; what the frame of the column shows. */
  readonly shown: readonly Atom[];
}

/** What a kind asks of its parts. */
export interface Demand {
  readonly name: string;
  readonly label: string;
  readonly part: string;
  readonly criterion: '1.4.3';
}

export interface Kind {
  readonly name: string;
  readonly label: string;
  /** Several of them, for counting. */
  readonly plural: string;
  readonly parts: readonly Part[];
  readonly states: readonly StateColumn[];
  readonly demands: readonly Demand[];
  /** How surely an element is of this kind, 0 to 1. */
  readonly recognise: (element: ElementNode, page: StyledPage) => number;
}
