import { AXIS, BACKGROUND_SIZE, IMAGES, PAINT, POSITION, POSITIONS, REPEAT } from '../values/background.js';
import type { Computer } from '../values/computer.js';
import { FILTER } from '../values/filter.js';
import { FEATURES, FONT_FAMILY, FONT_STRETCH, LINE_HEIGHT, VARIATIONS } from '../values/font.js';
import {
  LENGTH,
  LINE_WIDTH,
  OUTLINE_OFFSET,
  POSITIVE_LENGTH,
  RADIUS,
  SIZE,
  SPACING_PAIR,
  STROKE_WIDTH,
} from '../values/length.js';
import { BOX_SHADOW, TEXT_SHADOW } from '../values/shadow.js';
import { ASPECT_RATIO, COLOUR, INTEGER, LENGTH_TERMS, NAMES, NUMBER, SHARE, TERMS } from '../values/simple.js';
import {
  CONTENT,
  counters,
  DECORATION_LINE,
  LETTER_SPACING,
  TAB_SIZE,
  TEXT_ALIGN,
  WORD_SPACING,
} from '../values/text.js';
import { SCALE, TRANSFORM_ORIGIN, TRANSLATE } from '../values/transform.js';
import { ANIMATION_NAME, EASINGS, TIMES, TRANSITION_PROPERTY, WORDS } from '../values/transition.js';

/** Letters and signs, what is behind them, a ring around, an edge, or how long something takes. */
export type Layer = 'mark' | 'ground' | 'ring' | 'edge' | 'time';

export interface PropertyInfo {
  readonly name: string;
  /** Place in the lists that hold values by property. */
  readonly id: number;
  readonly inherited: boolean;
  /** Declared text that stands for the initial value. */
  readonly initial: string;
  readonly compute: Computer;
  /** The value is one colour. */
  readonly isColour: boolean;
  /** The value is a colour or may hold some; no other property's value depends on it. */
  readonly holdsColour: boolean;
  /** How the computed value becomes the one that CSSOM gives, where the two differ. */
  readonly resolve: 'border-width' | 'layers' | 'line-height' | 'caret' | undefined;
  /** For the width of an edge: the property whose value `none` takes the edge away. */
  readonly styleName: string | undefined;
  /** Other properties of the element or its parent may change the computed value; of a `box` only a drawn control. */
  readonly adjusted: 'box' | 'always' | undefined;
  /** Widths that snap to the pixels of the device. */
  readonly snaps: boolean;
  /** What a value is of, as far as figures of others depend on it. */
  readonly layer: Layer;
  /** Results of values that ask nothing of their place; null where the text stays as it is. */
  readonly steady: Map<string, string | null>;
}

const BORDER_WIDTH = /^border-(top|right|bottom|left)-width$/;
const LAYERS = /^(background|mask)-(?!image|color)/;
const ADJUSTED =
  /^(display|float|direction|position|overflow-[xy]|line-height|text-align|content|white-space-collapse|text-wrap-mode)$/;
const BOX = /^(padding-.*|border-(top|right|bottom|left)-(width|style|color)|border-.+-radius)$/;

const LAYER_OF: readonly (readonly [pattern: RegExp, layer: Layer])[] = [
  [/^background/, 'ground'],
  [/^(outline|box-shadow$)/, 'ring'],
  [/^border/, 'edge'],
  [/^transition/, 'time'],
];

const COLOURED: ReadonlySet<Computer> = new Set([COLOUR, PAINT, IMAGES, BOX_SHADOW, TEXT_SHADOW, FILTER]);

let nextId = 0;

function infoOf(name: string, inherited: boolean, initial: string, compute: Computer): PropertyInfo {
  return {
    name,
    id: nextId++,
    inherited,
    initial,
    compute,
    isColour: compute === COLOUR,
    holdsColour: COLOURED.has(compute),
    resolve: BORDER_WIDTH.test(name)
      ? 'border-width'
      : LAYERS.test(name)
        ? 'layers'
        : name === 'line-height'
          ? 'line-height'
          : name === 'caret-color'
            ? 'caret'
            : undefined,
    styleName: BORDER_WIDTH.test(name) ? name.replace(/width$/, 'style') : undefined,
    adjusted: ADJUSTED.test(name) ? 'always' : BOX.test(name) ? 'box' : undefined,
    snaps: compute === LINE_WIDTH,
    layer: LAYER_OF.find(([pattern]) => pattern.test(name))?.[1] ?? 'mark',
    steady: new Map(),
  };
}

const SIDES = ['top', 'right', 'bottom', 'left'] as const;
const CORNERS = ['top-left', 'top-right', 'bottom-right', 'bottom-left'] as const;

const table = new Map<string, PropertyInfo>();
const add = (compute: Computer, inherited: boolean, entries: Readonly<Record<string, string>>) => {
  for (const [name, initial] of Object.entries(entries)) {
    table.set(name, infoOf(name, inherited, initial, compute));
  }
};
const each = (names: readonly string[], pattern: string, initial: string) =>
  Object.fromEntries(names.map((name) => [pattern.replace('*', name), initial]));

// Initial values and inheritance as the definition tables of the CSS modules give them.
add(COLOUR, true, {
  color: 'canvastext',
  'caret-color': 'auto',
  'accent-color': 'auto',
  'text-emphasis-color': 'currentcolor',
  '-webkit-text-fill-color': 'currentcolor',
  '-webkit-text-stroke-color': 'currentcolor',
  '-webkit-tap-highlight-color': 'rgba(0, 0, 0, 0.18)',
});
add(COLOUR, false, {
  'background-color': 'transparent',
  'outline-color': 'currentcolor',
  'text-decoration-color': 'currentcolor',
  'column-rule-color': 'currentcolor',
  'stop-color': 'black',
  'flood-color': 'black',
  ...each(SIDES, 'border-*-color', 'currentcolor'),
});
add(PAINT, true, { fill: 'black', stroke: 'none' });
add(SHARE, true, { 'fill-opacity': '1', 'stroke-opacity': '1' });
add(SHARE, false, { opacity: '1', 'stop-opacity': '1', 'flood-opacity': '1' });
add(LENGTH_TERMS, true, { 'stroke-width': '1px', 'stroke-dashoffset': '0', 'stroke-dasharray': 'none' });
add(NUMBER, true, { 'stroke-miterlimit': '4' });
add(TERMS, true, {
  'fill-rule': 'nonzero',
  'clip-rule': 'nonzero',
  'stroke-linecap': 'butt',
  'stroke-linejoin': 'miter',
  'text-anchor': 'start',
  'paint-order': 'normal',
});

// Grounds.
add(IMAGES, false, { 'background-image': 'none', 'mask-image': 'none', 'border-image-source': 'none' });
add(AXIS, false, { 'background-position-x': '0%', 'background-position-y': '0%' });
add(POSITIONS, false, { 'mask-position': '0% 0%' });
add(BACKGROUND_SIZE, false, { 'background-size': 'auto', 'mask-size': 'auto' });
add(REPEAT, false, { 'background-repeat': 'repeat', 'mask-repeat': 'repeat' });
add(TERMS, false, {
  'background-attachment': 'scroll',
  'background-blend-mode': 'normal',
  'background-clip': 'border-box',
  'background-origin': 'padding-box',
  'mask-clip': 'border-box',
  'mask-origin': 'border-box',
  'mask-composite': 'add',
  'mask-mode': 'match-source',
  'border-image-slice': '100%',
  'border-image-repeat': 'stretch',
});
add(TERMS, false, { 'border-image-width': '1', 'border-image-outset': '0' });

// Edges.
add(LINE_WIDTH, false, {
  'outline-width': 'medium',
  'column-rule-width': 'medium',
  ...each(SIDES, 'border-*-width', 'medium'),
});
add(TERMS, false, { 'outline-style': 'none', 'column-rule-style': 'none', ...each(SIDES, 'border-*-style', 'none') });
add(OUTLINE_OFFSET, false, { 'outline-offset': '0' });
add(RADIUS, false, each(CORNERS, 'border-*-radius', '0'));
add(BOX_SHADOW, false, { 'box-shadow': 'none' });
add(STROKE_WIDTH, true, { '-webkit-text-stroke-width': '0' });

// Boxes.
add(LENGTH, false, {
  ...each(SIDES, 'margin-*', '0'),
  ...each(SIDES, 'scroll-margin-*', '0'),
  ...each(SIDES, '*', 'auto'),
  'vertical-align': 'baseline',
});
add(POSITIVE_LENGTH, false, {
  ...each(SIDES, 'padding-*', '0'),
  ...each(SIDES, 'scroll-padding-*', 'auto'),
  'row-gap': 'normal',
  'column-gap': 'normal',
  'column-width': 'auto',
  perspective: 'none',
});
add(SIZE, false, {
  width: 'auto',
  height: 'auto',
  'min-width': 'auto',
  'min-height': 'auto',
  'max-width': 'none',
  'max-height': 'none',
  'flex-basis': 'auto',
});
add(ASPECT_RATIO, false, { 'aspect-ratio': 'auto' });
add(INTEGER, false, { 'z-index': 'auto', order: '0', 'column-count': 'auto' });
add(NUMBER, false, { 'flex-grow': '0', 'flex-shrink': '1', zoom: '1' });
add(POSITION, false, { 'object-position': '50% 50%' });
add(TERMS, false, {
  'align-content': 'normal',
  'align-items': 'normal',
  'align-self': 'auto',
  appearance: 'none',
  'backface-visibility': 'visible',
  'box-decoration-break': 'slice',
  'box-sizing': 'content-box',
  clear: 'none',
  contain: 'none',
  'container-type': 'normal',
  'content-visibility': 'visible',
  display: 'inline',
  'field-sizing': 'fixed',
  'flex-direction': 'row',
  'flex-wrap': 'nowrap',
  float: 'none',
  'grid-auto-flow': 'row',
  isolation: 'auto',
  'justify-content': 'normal',
  'justify-items': 'normal',
  'justify-self': 'auto',
  'mix-blend-mode': 'normal',
  'object-fit': 'fill',
  'overflow-x': 'visible',
  'overflow-y': 'visible',
  'overscroll-behavior-x': 'auto',
  'overscroll-behavior-y': 'auto',
  position: 'static',
  resize: 'none',
  'scroll-behavior': 'auto',
  'scroll-snap-align': 'none',
  'scroll-snap-stop': 'normal',
  'scroll-snap-type': 'none',
  'scrollbar-gutter': 'auto',
  'scrollbar-width': 'auto',
  'table-layout': 'auto',
  'text-decoration-style': 'solid',
  'text-overflow': 'clip',
  'touch-action': 'auto',
  'transform-box': 'view-box',
  'transform-style': 'flat',
  'transition-behavior': 'normal',
  'unicode-bidi': 'normal',
  'vector-effect': 'none',
});
add(NAMES, false, { 'container-name': 'none', 'will-change': 'auto' });
add(LENGTH_TERMS, false, { 'clip-path': 'none', clip: 'auto' });

// Movement.
add(LENGTH_TERMS, false, { transform: 'none', rotate: 'none' });
add(TRANSFORM_ORIGIN, false, { 'transform-origin': '50% 50%', 'perspective-origin': '50% 50%' });
add(SCALE, false, { scale: 'none' });
add(TRANSLATE, false, { translate: 'none' });
add(FILTER, false, { filter: 'none', 'backdrop-filter': 'none' });
add(TIMES, false, { 'transition-delay': '0s', 'transition-duration': '0s' });
add(TRANSITION_PROPERTY, false, { 'transition-property': 'all' });
add(EASINGS, false, { 'transition-timing-function': 'ease', 'animation-timing-function': 'ease' });
add(TIMES, false, { 'animation-delay': '0s', 'animation-duration': '0s' });
add(WORDS, false, {
  'animation-direction': 'normal',
  'animation-fill-mode': 'none',
  'animation-iteration-count': '1',
  'animation-play-state': 'running',
});
add(ANIMATION_NAME, false, { 'animation-name': 'none' });
add(TERMS, false, { 'animation-timeline': 'auto' });

// Type. Size and weight refer to the parent's and are computed by the element's style.
add(TERMS, true, { 'font-size': 'medium', 'font-weight': 'normal' });
add(FONT_FAMILY, true, { 'font-family': '"Times New Roman"' });
add(FONT_STRETCH, true, { 'font-stretch': 'normal' });
add(LINE_HEIGHT, true, { 'line-height': 'normal' });
add(FEATURES, true, { 'font-feature-settings': 'normal' });
add(VARIATIONS, true, { 'font-variation-settings': 'normal' });
add(LETTER_SPACING, true, { 'letter-spacing': 'normal' });
add(WORD_SPACING, true, { 'word-spacing': 'normal' });
add(LENGTH, true, { 'text-indent': '0', 'text-underline-offset': 'auto' });
add(SPACING_PAIR, true, { 'border-spacing': '0' });
add(TAB_SIZE, true, { 'tab-size': '8' });
add(TEXT_ALIGN, true, { 'text-align': 'start' });
add(TEXT_SHADOW, true, { 'text-shadow': 'none' });
add(DECORATION_LINE, false, { 'text-decoration-line': 'none' });
add(LENGTH, false, { 'text-decoration-thickness': 'auto' });
add(IMAGES, true, { 'list-style-image': 'none' });
add(COLOUR, true, { 'scrollbar-color': 'auto' });
add(NAMES, true, { 'list-style-type': 'disc' });
add(INTEGER, true, { orphans: '2', widows: '2' });
add(TERMS, true, {
  'border-collapse': 'separate',
  'caption-side': 'top',
  'color-scheme': 'normal',
  cursor: 'auto',
  direction: 'ltr',
  'empty-cells': 'show',
  'font-kerning': 'auto',
  'font-optical-sizing': 'auto',
  'font-size-adjust': 'none',
  'font-style': 'normal',
  'font-synthesis-weight': 'auto',
  'font-synthesis-style': 'auto',
  'font-variant-alternates': 'normal',
  'font-variant-caps': 'normal',
  'font-variant-east-asian': 'normal',
  'font-variant-ligatures': 'normal',
  'font-variant-numeric': 'normal',
  'font-variant-position': 'normal',
  'forced-color-adjust': 'auto',
  hyphens: 'manual',
  'image-rendering': 'auto',
  'line-break': 'auto',
  'list-style-position': 'outside',
  'overflow-wrap': 'normal',
  'pointer-events': 'auto',
  'print-color-adjust': 'economy',
  quotes: 'auto',
  'text-align-last': 'auto',
  'text-decoration-skip-ink': 'auto',
  'text-emphasis-style': 'none',
  'text-justify': 'auto',
  'text-rendering': 'auto',
  'text-size-adjust': 'auto',
  'text-transform': 'none',
  'text-underline-position': 'auto',
  'text-wrap-mode': 'wrap',
  'text-wrap-style': 'auto',
  visibility: 'visible',
  'white-space-collapse': 'collapse',
  'word-break': 'normal',
  // Inherited in Chromium; the standard has `auto` follow the parent.
  'user-select': 'auto',
  'writing-mode': 'horizontal-tb',
  '-webkit-font-smoothing': 'auto',
});
add(CONTENT, false, { content: 'normal' });
add(counters(0), false, { 'counter-reset': 'none', 'counter-set': 'none' });
add(counters(1), false, { 'counter-increment': 'none' });

export const PROPERTIES: ReadonlyMap<string, PropertyInfo> = table;

const others = new Map<string, PropertyInfo>();

/** What is known of a property; unknown ones behave as not inherited, custom ones as inherited. */
export function propertyInfo(name: string): PropertyInfo {
  let info = table.get(name) ?? others.get(name);
  if (!info) {
    const custom = name.startsWith('--');
    info = infoOf(name, custom, custom ? '' : 'auto', TERMS);
    if (others.size > 10_000) others.clear();
    others.set(name, info);
  }
  return info;
}
