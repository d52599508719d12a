import { SETTING_ROWS } from './behaviours/index.js';
import type { Row, RowAmount, RowEditor, RowGroup } from './row.js';

export { ROW_EDITORS, ROW_GROUPS } from './row.js';
export type { Row, RowAmount, RowEditor, RowGroup } from './row.js';

const SIDES = ['top', 'right', 'bottom', 'left'] as const;
const CORNERS = ['top-left', 'top-right', 'bottom-right', 'bottom-left'] as const;

const LENGTH: RowAmount = { unit: 'px' };
const SIZE: RowAmount = { unit: 'px', least: 0 };
const SHARE: RowAmount = { unit: '', least: 0, most: 1, step: 0.05 };
const TIME: RowAmount = { unit: 's', least: 0, step: 0.1 };
const LINES = 'solid dashed dotted double none';

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
const number = (group: RowGroup, label: string, property: string, amount: RowAmount = LENGTH, words?: string): Row => ({
  ...one(group, label, property),
  editor: 'number',
  amount,
  words: words?.split(' '),
});
const choice = (group: RowGroup, label: string, property: string, words: string): Row => ({
  ...one(group, label, property),
  editor: 'choice',
  words: words.split(' '),
});
const edited = (editor: RowEditor, row: Row): Row => ({ ...row, editor });
const together = (
  group: RowGroup,
  label: string,
  shorthand: string,
  properties: readonly string[],
  key = shorthand,
): Row => ({ key, label, group, properties, shorthand, editor: 'text' });

const sides = (group: RowGroup, label: string, name: string): Row[] => [
  edited(
    'box',
    together(
      group,
      label,
      name,
      SIDES.map((side) => `${name}-${side}`),
    ),
  ),
  ...SIDES.map((side): Row => ({ ...one(group, `${label} ${side}`, `${name}-${side}`), editor: 'box', under: name })),
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
  edited(
    'box',
    together(
      'Edge',
      'Border width',
      'border-width',
      SIDES.map((side) => `border-${side}-width`),
    ),
  ),
  {
    ...together(
      'Edge',
      'Border style',
      'border-style',
      SIDES.map((side) => `border-${side}-style`),
    ),
    editor: 'choice',
    words: LINES.split(' '),
  },
  ...SIDES.flatMap((side): Row[] => [
    { ...colour('Edge', `Border ${side}`, `border-${side}-color`), under: 'border' },
    { ...one('Edge', `Border ${side} width`, `border-${side}-width`), editor: 'box', under: 'border-width' },
    { ...choice('Edge', `Border ${side} style`, `border-${side}-style`, LINES), under: 'border-style' },
  ]),
  edited(
    'radius',
    together(
      'Edge',
      'Radius',
      'border-radius',
      CORNERS.map((corner) => `border-${corner}-radius`),
    ),
  ),
  ...CORNERS.map((corner): Row => ({
    ...one('Edge', `Radius ${corner.replace('-', ' ')}`, `border-${corner}-radius`),
    editor: 'radius',
    under: 'border-radius',
  })),
];

/** Every row of CSS that a part can have, in the order of the sheet. */
export const ROWS: readonly Row[] = [
  colour('Text', 'Text', 'color', 'text'),
  edited('family', one('Text', 'Font', 'font-family')),
  number('Text', 'Font size', 'font-size', SIZE),
  number('Text', 'Weight', 'font-weight', { unit: '', least: 1, most: 1000, step: 50 }, '400 500 600 700 800'),
  one('Text', 'Font axes', 'font-variation-settings'),
  choice('Text', 'Font style', 'font-style', 'normal italic'),
  number('Text', 'Line height', 'line-height', { unit: '', least: 0, step: 0.05 }, 'normal'),
  number('Text', 'Letter spacing', 'letter-spacing', { unit: 'em', step: 0.01 }, 'normal'),
  number('Text', 'Word spacing', 'word-spacing', { unit: 'em', step: 0.01 }, '0'),
  choice('Text', 'Case', 'text-transform', 'none uppercase lowercase capitalize'),
  choice('Text', 'Alignment', 'text-align', 'start center end justify'),
  choice('Text', 'Underline', 'text-decoration-line', 'none underline overline line-through'),
  colour('Text', 'Underline colour', 'text-decoration-color'),
  choice('Text', 'Underline style', 'text-decoration-style', 'solid dashed dotted double wavy'),
  number('Text', 'Underline thickness', 'text-decoration-thickness', SIZE, 'auto from-font'),
  number('Text', 'Underline offset', 'text-underline-offset', LENGTH, 'auto'),
  together('Text', 'White space', 'white-space', ['white-space-collapse', 'text-wrap-mode']),
  edited('marks', one('Text', 'Content', 'content')),
  choice('Text', 'List marker', 'list-style-type', 'none disc circle square decimal'),
  colour('Ground', 'Background', 'background-color', 'background'),
  edited('layers', one('Ground', 'Background image', 'background-image')),
  choice('Ground', 'Background size', 'background-size', 'auto cover contain'),
  together('Ground', 'Background position', 'background-position', ['background-position-x', 'background-position-y']),
  choice('Ground', 'Background repeat', 'background-repeat', 'repeat repeat-x repeat-y no-repeat space round'),
  choice('Ground', 'Background attachment', 'background-attachment', 'scroll fixed local'),
  choice('Ground', 'Background origin', 'background-origin', 'padding-box border-box content-box'),
  choice('Ground', 'Background clip', 'background-clip', 'border-box padding-box content-box text'),
  choice('Ground', 'Background blend mode', 'background-blend-mode', 'normal multiply screen overlay darken lighten'),
  ...edges,
  colour('Outline', 'Outline', 'outline-color', 'outline'),
  number('Outline', 'Outline width', 'outline-width', SIZE),
  choice('Outline', 'Outline style', 'outline-style', LINES),
  number('Outline', 'Outline offset', 'outline-offset'),
  edited('shadow', one('Shadow', 'Shadow', 'box-shadow')),
  edited('shadow', one('Shadow', 'Text shadow', 'text-shadow')),
  ...sides('Space', 'Padding', 'padding'),
  ...sides('Space', 'Margin', 'margin'),
  together('Space', 'Gap', 'gap', ['row-gap', 'column-gap']),
  { ...number('Space', 'Row gap', 'row-gap', SIZE, 'normal'), under: 'gap' },
  { ...number('Space', 'Column gap', 'column-gap', SIZE, 'normal'), under: 'gap' },
  number('Size', 'Width', 'width', SIZE, 'auto 100% fit-content'),
  number('Size', 'Height', 'height', SIZE, 'auto 100% fit-content'),
  number('Size', 'Min width', 'min-width', SIZE, 'auto 0'),
  number('Size', 'Min height', 'min-height', SIZE, 'auto 0'),
  number('Size', 'Max width', 'max-width', SIZE, 'none 100%'),
  number('Size', 'Max height', 'max-height', SIZE, 'none 100%'),
  one('Size', 'Aspect ratio', 'aspect-ratio'),
  choice('Size', 'Box sizing', 'box-sizing', 'border-box content-box'),
  choice('Layout', 'Display', 'display', 'block inline-block flex inline-flex grid inline none'),
  choice('Layout', 'Visibility', 'visibility', 'visible hidden'),
  choice('Layout', 'Position', 'position', 'static relative absolute fixed sticky'),
  number('Layout', 'Stack order', 'z-index', { unit: '', step: 1 }, 'auto'),
  choice('Layout', 'Justify items', 'justify-content', 'normal start center end space-between space-around'),
  choice('Layout', 'Align items', 'align-items', 'normal start center end stretch baseline'),
  choice('Layout', 'Overflow, across', 'overflow-x', 'visible hidden clip scroll auto'),
  choice('Layout', 'Overflow, down', 'overflow-y', 'visible hidden clip scroll auto'),
  number('Effect', 'Opacity', 'opacity', SHARE),
  edited('functions', one('Effect', 'Filter', 'filter')),
  edited('functions', one('Effect', 'Backdrop filter', 'backdrop-filter')),
  choice('Effect', 'Blend mode', 'mix-blend-mode', 'normal multiply screen overlay darken lighten difference'),
  edited('functions', one('Effect', 'Transform', 'transform')),
  one('Effect', 'Transform origin', 'transform-origin'),
  one('Effect', 'Translate', 'translate'),
  number('Effect', 'Rotate', 'rotate', { unit: 'deg', step: 1 }, 'none'),
  number('Effect', 'Scale', 'scale', { unit: '', least: 0, step: 0.01 }, 'none'),
  edited('transition', one('Motion', 'Transition property', 'transition-property')),
  edited('transition', one('Motion', 'Transition duration', 'transition-duration')),
  edited('transition', one('Motion', 'Transition timing', 'transition-timing-function')),
  edited('transition', one('Motion', 'Transition delay', 'transition-delay')),
  one('Motion', 'Animation name', 'animation-name'),
  number('Motion', 'Animation duration', 'animation-duration', TIME),
  one('Motion', 'Animation timing', 'animation-timing-function'),
  number('Motion', 'Animation delay', 'animation-delay', { unit: 's', step: 0.1 }),
  number('Motion', 'Animation repeats', 'animation-iteration-count', { unit: '', least: 0, step: 1 }, 'infinite'),
  choice('Motion', 'Animation direction', 'animation-direction', 'normal reverse alternate alternate-reverse'),
  choice('Motion', 'Animation fill', 'animation-fill-mode', 'none forwards backwards both'),
  choice('Motion', 'Animation state', 'animation-play-state', 'running paused'),
  colour('Drawing', 'Fill', 'fill'),
  colour('Drawing', 'Stroke', 'stroke'),
  number('Drawing', 'Stroke width', 'stroke-width', SIZE),
  choice('Control', 'Colour scheme', 'color-scheme', 'normal light dark'),
  colour('Control', 'Accent colour', 'accent-color'),
  colour('Control', 'Caret colour', 'caret-color'),
  one('Control', 'Scrollbar colours', 'scrollbar-color'),
  choice('Control', 'Scrollbar width', 'scrollbar-width', 'auto thin none'),
  choice('Control', 'Cursor', 'cursor', 'auto pointer default not-allowed text grab help'),
  choice('Control', 'Appearance', 'appearance', 'auto none'),
];

const BY_KEY: ReadonlyMap<string, Row> = new Map([...ROWS, ...SETTING_ROWS].map((row) => [row.key, row]));

/** A row of CSS or of a behaviour; undefined for a key that no row has. */
export const rowNamed = (key: string): Row | undefined => BY_KEY.get(key);

/** Keys of rows that matter first, for parts of a sort. */
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
