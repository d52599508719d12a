import type { PartRole } from './part-role.js';

const SIDES = ['top', 'right', 'bottom', 'left'];
const CORNERS = ['top-left', 'top-right', 'bottom-right', 'bottom-left'];

/** What makes up a look; where things stand, and how large they are, is each component's own. */
const CARRIED = [
  'color',
  'font-family',
  'font-size',
  'font-weight',
  'font-style',
  'letter-spacing',
  'text-transform',
  'text-decoration-line',
  'text-decoration-color',
  'text-decoration-thickness',
  'text-underline-offset',
  'background-color',
  'background-image',
  ...SIDES.flatMap((side) => [`border-${side}-width`, `border-${side}-style`, `border-${side}-color`]),
  ...CORNERS.map((corner) => `border-${corner}-radius`),
  'outline-width',
  'outline-style',
  'outline-color',
  'outline-offset',
  'box-shadow',
  'text-shadow',
  'opacity',
  ...SIDES.map((side) => `padding-${side}`),
  'transition-property',
  'transition-duration',
  'transition-timing-function',
  'fill',
  'stroke',
];
/** What a part that paints no box has none of, so that it leaves them alone. */
const OF_TEXT = new Set<string>(
  CARRIED.filter((property) => /^(color|font|letter|text|opacity|transition)/.test(property)),
);
const OF_DRAWING = new Set<string>(['color', 'fill', 'stroke', 'opacity']);

/** The properties of a look that matter to a part of a role. */
export const carriedBy = (role: PartRole): readonly string[] =>
  role === 'text' || role === 'heading'
    ? CARRIED.filter((property) => OF_TEXT.has(property))
    : role === 'icon'
      ? CARRIED.filter((property) => OF_DRAWING.has(property))
      : CARRIED.filter((property) => property !== 'fill' && property !== 'stroke');
