import { lookup } from '../../base/lookup.js';
type Text = (longhand: string) => string;
type Printer = (text: Text) => string;

const SIDES = ['top', 'right', 'bottom', 'left'];
const CORNERS = ['top-left', 'top-right', 'bottom-right', 'bottom-left'].map((corner) => `border-${corner}-radius`);

/** One to four values, as few as say the same. */
function collapse(values: readonly string[]): string {
  const [top, right, bottom, left] = values as [string, string, string, string];
  if (left !== right) return [top, right, bottom, left].join(' ');
  if (bottom !== top) return [top, right, bottom].join(' ');
  return top === right ? top : `${top} ${right}`;
}

const fourSides =
  (pattern: string): Printer =>
  (text) =>
    collapse(SIDES.map((side) => text(pattern.replace('*', side))));

const pair =
  (first: string, second: string): Printer =>
  (text) =>
    text(first) === text(second) ? text(first) : `${text(first)} ${text(second)}`;

const line =
  (name: string): Printer =>
  (text) =>
    `${text(`${name}-width`)} ${text(`${name}-style`)} ${text(`${name}-color`)}`;

/** Empty where no one value stands for all sides, as CSSOM has it. */
const border: Printer = (text) => {
  const sides = SIDES.map((side) => line(`border-${side}`)(text));
  return sides.every((side) => side === sides[0]) ? sides[0]! : '';
};

const radius: Printer = (text) => {
  const corners = CORNERS.map((corner) => text(corner).split(' '));
  const across = collapse(corners.map(([first]) => first!));
  const down = collapse(corners.map(([first, second]) => second ?? first!));
  return across === down ? across : `${across} / ${down}`;
};

const decoration: Printer = (text) => {
  const parts = [text('text-decoration-line')];
  if (text('text-decoration-thickness') !== 'auto') parts.push(text('text-decoration-thickness'));
  if (text('text-decoration-style') !== 'solid') parts.push(text('text-decoration-style'));
  if (text('text-decoration-color') !== text('color')) parts.push(text('text-decoration-color'));
  return parts.join(' ');
};

const WHITE_SPACE: Readonly<Record<string, string>> = lookup({
  'collapse wrap': 'normal',
  'collapse nowrap': 'nowrap',
  'preserve nowrap': 'pre',
  'preserve wrap': 'pre-wrap',
  'preserve-breaks wrap': 'pre-line',
  'break-spaces wrap': 'break-spaces',
});
const whiteSpace: Printer = (text) => {
  const both = `${text('white-space-collapse')} ${text('text-wrap-mode')}`;
  return WHITE_SPACE[both] ?? both;
};

const position: Printer = (text) => {
  const across = text('background-position-x').split(', ');
  const down = text('background-position-y').split(', ');
  const count = Math.max(across.length, down.length);
  return Array.from({ length: count }, (_pair, i) => `${across[i % across.length]} ${down[i % down.length]}`).join(
    ', ',
  );
};

/** How CSSOM prints a shorthand of a computed style; those that owners ask for most. */
const PRINTERS: Readonly<Record<string, Printer>> = lookup({
  ...Object.fromEntries(
    ['margin', 'padding', 'scroll-margin', 'scroll-padding'].map((name) => [name, fourSides(`${name}-*`)]),
  ),
  ...Object.fromEntries(['width', 'style', 'color'].map((what) => [`border-${what}`, fourSides(`border-*-${what}`)])),
  ...Object.fromEntries(SIDES.map((side) => [`border-${side}`, line(`border-${side}`)])),
  inset: fourSides('*'),
  border,
  'border-radius': radius,
  outline: (text) => `${text('outline-color')} ${text('outline-style')} ${text('outline-width')}`,
  overflow: pair('overflow-x', 'overflow-y'),
  'overscroll-behavior': pair('overscroll-behavior-x', 'overscroll-behavior-y'),
  gap: pair('row-gap', 'column-gap'),
  'place-items': pair('align-items', 'justify-items'),
  'place-content': pair('align-content', 'justify-content'),
  'place-self': pair('align-self', 'justify-self'),
  flex: (text) => `${text('flex-grow')} ${text('flex-shrink')} ${text('flex-basis')}`,
  'flex-flow': (text) => `${text('flex-direction')} ${text('flex-wrap')}`,
  columns: (text) => `${text('column-width')} ${text('column-count')}`,
  'list-style': (text) => `${text('list-style-position')} ${text('list-style-image')} ${text('list-style-type')}`,
  'text-decoration': decoration,
  'white-space': whiteSpace,
  'background-position': position,
  '-webkit-text-stroke': (text) => `${text('-webkit-text-stroke-width')} ${text('-webkit-text-stroke-color')}`,
});

/**
 * A shorthand of a computed style as CSSOM prints it.
 *
 * @param text the value of a longhand
 * @returns undefined for a shorthand that is not printed whole
 */
export const printShorthand = (name: string, text: Text): string | undefined => PRINTERS[name]?.(text);

export const PRINTED_SHORTHANDS: readonly string[] = Object.keys(PRINTERS);
