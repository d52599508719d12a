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
] as const;
export type RowGroup = (typeof ROW_GROUPS)[number];

/** A row of the state sheet: one plain name for one longhand, or for several that are set together. */
export interface Row {
  readonly key: string;
  readonly label: string;
  readonly group: RowGroup;
  /** Longhands that a value of this row sets. */
  readonly properties: readonly string[];
  /** The shorthand under which the row's value is typed; without one all longhands take the same value. */
  readonly shorthand?: string | undefined;
  readonly editor: 'colour' | 'text';
  /** Key of the row that sets this one together with others. */
  readonly under?: string | undefined;
}

const SIDES = ['top', 'right', 'bottom', 'left'] as const;
const CORNERS = ['top-left', 'top-right', 'bottom-right', 'bottom-left'] as const;

const one = (group: RowGroup, label: string, property: string, key = property): Row => ({
  key,
  label,
  group,
  properties: [property],
  editor: 'text',
});
const colour = (group: RowGroup, label: string, property: string, key = property): Row => ({
  ...one(group, label, property, key),
  editor: 'colour',
});
const together = (
  group: RowGroup,
  label: string,
  shorthand: string,
  properties: readonly string[],
  key = shorthand,
): Row => ({ key, label, group, properties, shorthand, editor: 'text' });

const sides = (group: RowGroup, label: string, name: string): Row[] => [
  together(
    group,
    label,
    name,
    SIDES.map((side) => `${name}-${side}`),
  ),
  ...SIDES.map((side): Row => ({ ...one(group, `${label} ${side}`, `${name}-${side}`), under: name })),
];

const EDGE_COLOURS = SIDES.map((side) => `border-${side}-color`);

const edges: Row[] = [
  {
    key: 'border',
    label: 'Border',
    group: 'Edge',
    properties: EDGE_COLOURS,
    shorthand: 'border-color',
    editor: 'colour',
  },
  together(
    'Edge',
    'Border width',
    'border-width',
    SIDES.map((side) => `border-${side}-width`),
  ),
  together(
    'Edge',
    'Border style',
    'border-style',
    SIDES.map((side) => `border-${side}-style`),
  ),
  ...SIDES.flatMap((side): Row[] => [
    { ...colour('Edge', `Border ${side}`, `border-${side}-color`), under: 'border' },
    { ...one('Edge', `Border ${side} width`, `border-${side}-width`), under: 'border-width' },
    { ...one('Edge', `Border ${side} style`, `border-${side}-style`), under: 'border-style' },
  ]),
  together(
    'Edge',
    'Radius',
    'border-radius',
    CORNERS.map((corner) => `border-${corner}-radius`),
  ),
  ...CORNERS.map((corner): Row => ({
    ...one('Edge', `Radius ${corner.replace('-', ' ')}`, `border-${corner}-radius`),
    under: 'border-radius',
  })),
];

/** Every row that a part can have, in the order of the sheet. */
export const ROWS: readonly Row[] = [
  colour('Text', 'Text', 'color', 'text'),
  one('Text', 'Font', 'font-family'),
  one('Text', 'Size of text', 'font-size'),
  one('Text', 'Weight', 'font-weight'),
  one('Text', 'Slant', 'font-style'),
  one('Text', 'Line height', 'line-height'),
  one('Text', 'Letter spacing', 'letter-spacing'),
  one('Text', 'Word spacing', 'word-spacing'),
  one('Text', 'Case', 'text-transform'),
  one('Text', 'Alignment', 'text-align'),
  one('Text', 'Underline', 'text-decoration-line'),
  colour('Text', 'Underline colour', 'text-decoration-color'),
  one('Text', 'Underline style', 'text-decoration-style'),
  one('Text', 'Underline thickness', 'text-decoration-thickness'),
  one('Text', 'Underline distance', 'text-underline-offset'),
  together('Text', 'Wrapping', 'white-space', ['white-space-collapse', 'text-wrap-mode']),
  one('Text', 'Content', 'content'),
  one('Text', 'List marker', 'list-style-type'),
  colour('Ground', 'Background', 'background-color', 'background'),
  one('Ground', 'Pictures and gradients', 'background-image'),
  one('Ground', 'Size of picture', 'background-size'),
  together('Ground', 'Place of picture', 'background-position', ['background-position-x', 'background-position-y']),
  one('Ground', 'Repeat', 'background-repeat'),
  one('Ground', 'Scrolls with', 'background-attachment'),
  one('Ground', 'Starts at', 'background-origin'),
  one('Ground', 'Clipped to', 'background-clip'),
  one('Ground', 'Layers blend', 'background-blend-mode'),
  ...edges,
  colour('Outline', 'Outline', 'outline-color', 'outline'),
  one('Outline', 'Outline width', 'outline-width'),
  one('Outline', 'Outline style', 'outline-style'),
  one('Outline', 'Outline distance', 'outline-offset'),
  one('Shadow', 'Shadow', 'box-shadow'),
  one('Shadow', 'Text shadow', 'text-shadow'),
  ...sides('Space', 'Padding', 'padding'),
  ...sides('Space', 'Margin', 'margin'),
  together('Space', 'Gap', 'gap', ['row-gap', 'column-gap']),
  { ...one('Space', 'Gap between rows', 'row-gap'), under: 'gap' },
  { ...one('Space', 'Gap between columns', 'column-gap'), under: 'gap' },
  one('Size', 'Width', 'width'),
  one('Size', 'Height', 'height'),
  one('Size', 'Least width', 'min-width'),
  one('Size', 'Least height', 'min-height'),
  one('Size', 'Greatest width', 'max-width'),
  one('Size', 'Greatest height', 'max-height'),
  one('Size', 'Proportion', 'aspect-ratio'),
  one('Size', 'Size includes', 'box-sizing'),
  one('Layout', 'Display', 'display'),
  one('Layout', 'Visibility', 'visibility'),
  one('Layout', 'Position', 'position'),
  one('Layout', 'Stacking', 'z-index'),
  one('Layout', 'Along the row', 'justify-content'),
  one('Layout', 'Across the row', 'align-items'),
  one('Layout', 'Too much, across', 'overflow-x'),
  one('Layout', 'Too much, down', 'overflow-y'),
  one('Effect', 'Opacity', 'opacity'),
  one('Effect', 'Filter', 'filter'),
  one('Effect', 'Filter behind', 'backdrop-filter'),
  one('Effect', 'Blending', 'mix-blend-mode'),
  one('Effect', 'Transform', 'transform'),
  one('Effect', 'Transform from', 'transform-origin'),
  one('Effect', 'Move', 'translate'),
  one('Effect', 'Turn', 'rotate'),
  one('Effect', 'Scale', 'scale'),
  one('Motion', 'Change of', 'transition-property'),
  one('Motion', 'Change takes', 'transition-duration'),
  one('Motion', 'Curve', 'transition-timing-function'),
  one('Motion', 'Change waits', 'transition-delay'),
  colour('Drawing', 'Fill', 'fill'),
  colour('Drawing', 'Stroke', 'stroke'),
  one('Drawing', 'Stroke width', 'stroke-width'),
  colour('Control', 'Accent', 'accent-color'),
  colour('Control', 'Caret', 'caret-color'),
  one('Control', 'Pointer', 'cursor'),
  one('Control', 'Drawn by the browser', 'appearance'),
];

const BY_KEY: ReadonlyMap<string, Row> = new Map(ROWS.map((row) => [row.key, row]));

/** @returns undefined for a key that no row has */
export const rowNamed = (key: string): Row | undefined => BY_KEY.get(key);

/** Keys of rows that matter first, for parts of a sort. */
export const TEXT_ROWS = ['text', 'font-size', 'font-weight', 'text-decoration-line'] as const;
export const BOX_ROWS = ['background', 'background-image', 'border', 'border-radius', 'box-shadow', 'padding'] as const;
export const TARGET_ROWS = [
  'text',
  'background',
  'border',
  'border-radius',
  'outline',
  'box-shadow',
  'font-weight',
  'text-decoration-line',
  'padding',
  'transition-duration',
] as const;
export const ICON_ROWS = ['text', 'fill', 'stroke', 'stroke-width', 'width', 'height', 'opacity'] as const;
export const MESSAGE_ROWS = ['text', 'font-family', 'font-size', 'font-weight', 'line-height', 'margin'] as const;
