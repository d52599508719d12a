import type { Row } from '@retoque/core';
import { readTyped } from '../../grid/cell-problem';

/** What an editor of one sort of value is given; all of them take and give CSS text of longhands. */
export interface EditorProps {
  readonly row: Row;
  /** The value of the row as CSS text: as set, or else as computed. */
  readonly value: string;
  /** The value of another row of the same part in the same state. */
  readonly valueOf: (row: string) => string;
  /** Changes longhands; `part` of a drag, or of typing into one field, is one step with what comes before it. */
  readonly onChange: (values: Readonly<Record<string, string>>) => void;
  /** What follows is another step. */
  readonly onSettle: () => void;
  /** The colours of the site, as hex. */
  readonly colours: readonly string[];
  /** Font families that the site uses or loads. */
  readonly families: readonly string[];
  /** Some of the component's own text, to show fonts with. */
  readonly words: string;
}

/** Why a text cannot be a value of a row; undefined when it can. */
export const problemOf =
  (row: Row) =>
  (text: string): string | undefined => {
    const read = readTyped(row, text);
    return read.ok ? undefined : read.problem;
  };
