import { BACKGROUND, BACKGROUND_POSITION } from './background.js';
import { BORDER, RADIUS } from './border.js';
import { FONT } from './font.js';
import { FOUR_SIDES, TWO_SIDES } from './four-sides.js';
import type { Shorthand } from './shorthand.js';
import { LIST_STYLE, TEXT_DECORATION } from './text.js';

const ALL: readonly Shorthand[] = [
  BACKGROUND,
  BACKGROUND_POSITION,
  ...BORDER,
  RADIUS,
  FONT,
  ...FOUR_SIDES,
  ...TWO_SIDES,
  TEXT_DECORATION,
  LIST_STYLE,
];

export const SHORTHANDS: ReadonlyMap<string, Shorthand> = new Map(ALL.map((shorthand) => [shorthand.name, shorthand]));
