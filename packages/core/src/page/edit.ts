/** A piece of a text that another stands in place of. */
export interface Edit {
  readonly start: number;
  readonly end: number;
  readonly text: string;
}
