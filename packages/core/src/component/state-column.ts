import type { Atom } from '../css/selector/states.js';

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
