/** What a row of the state sheet is about; rows of one group stand together. */
export const ROW_GROUPS = [
  'Text',
  'Ground',
  'Edge',
  'Outline',
  'Shadow',
  'Space',
  'Size',
  'Layout',
  'Effect',
  'Motion',
  'Drawing',
  'Control',
  'Behaviour',
] as const;
export type RowGroup = (typeof ROW_GROUPS)[number];

export const ROW_EDITORS = [
  'colour',
  'number',
  'choice',
  'box',
  'radius',
  'shadow',
  'layers',
  'functions',
  'transition',
  'family',
  'text',
  'marks',
  'moment',
  'zone',
  'span',
  'units',
  'pages',
] as const;
export type RowEditor = (typeof ROW_EDITORS)[number];

/** What numbers a row takes. */
export interface RowAmount {
  /** '' where a plain number is meant. */
  readonly unit: string;
  readonly least?: number;
  readonly most?: number;
  /** Of one press of an arrow key, where it is not the unit's own. */
  readonly step?: number;
}

/** A row of the state sheet: one plain name for one longhand, or for several that are set together. */
export interface Row {
  readonly key: string;
  readonly label: string;
  readonly group: RowGroup;
  /** Longhands that a value of this row sets. */
  readonly properties: readonly string[];
  /** The shorthand under which the row's value is typed; without one all longhands take the same value. */
  readonly shorthand?: string | undefined;
  /** How its values are edited; each takes CSS text too. */
  readonly editor: RowEditor;
  /** Of a number: what a number without a unit means, and its bounds. */
  readonly amount?: RowAmount | undefined;
  /** Keywords that are offered, the most used first. */
  readonly words?: readonly string[] | undefined;
  /** Key of the row that sets this one together with others. */
  readonly under?: string | undefined;
  /** What holds where nothing is set; of settings that a script reads. */
  readonly usual?: string | undefined;
  /** True for what is the same in every state. */
  readonly atRest?: boolean | undefined;
  /** True for what belongs to one component alone, such as the date that it counts to; no other takes it over. */
  readonly ofOne?: boolean | undefined;
  /** Another property whose value says whether this one has a say. */
  readonly where?: { readonly property: string; readonly is: string } | undefined;
}
