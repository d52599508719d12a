import { ANIMATION } from './animation.js';
import { BACKGROUND, BACKGROUND_POSITION } from './background.js';
import { BORDER, BORDER_IMAGE, RADIUS } from './border.js';
import { COLUMNS, CONTAINER, FLEX, FLEX_FLOW, PLACE } from './flex.js';
import { FONT, FONT_VARIANT } from './font.js';
import { FOUR_SIDES, TWO_SIDES } from './four-sides.js';
import { MASK } from './mask.js';
import type { Shorthand } from './shorthand.js';
import { LIST_STYLE, TEXT_DECORATION, TEXT_EMPHASIS, TEXT_STROKE, TEXT_WRAP, WHITE_SPACE_SHORTHAND } from './text.js';
import { TRANSITION } from './transition.js';

const ALL: readonly Shorthand[] = [
  ANIMATION,
  BACKGROUND,
  BACKGROUND_POSITION,
  ...BORDER,
  BORDER_IMAGE,
  COLUMNS,
  CONTAINER,
  FLEX,
  FLEX_FLOW,
  FONT,
  FONT_VARIANT,
  ...FOUR_SIDES,
  LIST_STYLE,
  MASK,
  ...PLACE,
  RADIUS,
  TEXT_DECORATION,
  TEXT_EMPHASIS,
  TEXT_STROKE,
  TEXT_WRAP,
  TRANSITION,
  ...TWO_SIDES,
  WHITE_SPACE_SHORTHAND,
];

export const SHORTHANDS: ReadonlyMap<string, Shorthand> = new Map(ALL.map((shorthand) => [shorthand.name, shorthand]));
