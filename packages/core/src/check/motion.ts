import type { ElementStyle } from '../css/cascade/element-style.js';
import { splitTopLevel } from '../css/values/split.js';
import { oncePerShape } from '../css/cascade/once-per-shape.js';
import { readTransitions } from '../value/transition.js';
import { descendants, textOf, type ElementNode } from '../tree/tree.js';
import { without, type Check } from './check.js';

/** WCAG 2.2, 2.2.2: what moves by itself for longer than this can be paused, stopped or hidden. */
export const LONGEST_MOTION_MS = 5000;

/** The transitions of an element's style. */
export const transitionsOf = oncePerShape((style) => readTransitions((property) => style.text(property)));

/** A time as computed, in milliseconds. */
export function millis(text: string): number {
  const value = Number.parseFloat(text);
  if (!Number.isFinite(value)) return 0;
  return /ms\s*$/i.test(text) ? value : value * 1000;
}

/** An animation of an element; times in milliseconds, the rest as computed. */
export interface Animated {
  readonly name: string;
  readonly duration: number;
  readonly delay: number;
  readonly count: string;
  readonly fill: string;
  readonly direction: string;
  readonly play: string;
  /** `auto` goes by the clock; others by how far something is scrolled. */
  readonly timeline: string;
}

/** The animations of an element's style; shorter lists begin anew (CSS Animations 1, section 4). */
export const animationsOf = oncePerShape((style): readonly Animated[] => {
  const list = (property: string) => splitTopLevel(style.text(`animation-${property}`));
  const lists = new Map(LISTS.map((name) => [name, list(name)]));
  return list('name').flatMap((name, i): Animated[] => {
    if (name === 'none') return [];
    const of = (property: (typeof LISTS)[number]) => {
      const items = lists.get(property)!;
      return items[i % items.length] ?? '';
    };
    return [
      {
        name: name.replace(/^(["'])(.*)\1$/s, '$2'),
        duration: millis(of('duration')),
        delay: millis(of('delay')),
        count: of('iteration-count'),
        fill: of('fill-mode'),
        direction: of('direction'),
        play: of('play-state'),
        timeline: of('timeline'),
      },
    ];
  });
});

const LISTS = ['duration', 'delay', 'iteration-count', 'fill-mode', 'direction', 'play-state', 'timeline'] as const;

/** How long animations of an element run by themselves, in milliseconds; 0 where none does. */
export function runsFor(style: ElementStyle): number {
  return Math.max(
    0,
    ...animationsOf(style).map(({ duration, count, delay, play, timeline }) => {
      if (play === 'paused' || !duration || timeline !== 'auto') return 0;
      return count === 'infinite' ? Infinity : duration * Number(count) + delay;
    }),
  );
}

/** Words of their own: a bus stop and a display are no controls. */
const PAUSES = /(^|[^\p{L}])(pause|stop|halt)($|[^\p{L}])/iu;

/** A control that may stop what moves, within the component or beside it; what it does, its script alone knows. */
const mayBePaused = (root: ElementNode): boolean =>
  [root, ...(root.parent ? descendants(root.parent) : []), ...descendants(root)].some(
    (node) =>
      (node.name === 'button' || node.attributes.get('role') === 'button') &&
      PAUSES.test(`${textOf(node)} ${node.attributes.get('aria-label') ?? ''} ${node.classes.join(' ')}`),
  );

/** WCAG 2.2, 2.2.2. Nothing for what does not move by itself. */
export function checkMoves(style: ElementStyle, element: ElementNode, root: ElementNode): Check | undefined {
  const isVideo = element.name === 'video' && element.attributes.has('autoplay');
  const time = element.name === 'marquee' || isVideo ? Infinity : runsFor(style);
  if (!time) return undefined;
  const blank = without('2.2.2', 'exempt', LONGEST_MOTION_MS, '', 'ancestors', 'ms');
  if (time <= LONGEST_MOTION_MS) return { ...blank, verdict: 'passes', measured: time };
  const measured = Number.isFinite(time) ? time : undefined;
  // Controls that the browser draws are known to pause; those of the site are tried by a person.
  if (isVideo && element.attributes.has('controls')) {
    return { ...blank, verdict: 'passes', measured, reason: 'The browser’s own controls stop it.' };
  }
  const stops = mayBePaused(root);
  return {
    ...blank,
    verdict: stops ? 'unsure' : 'short',
    measured,
    reason: stops
      ? 'It moves for long. A control beside it may stop it: whether it does is not measured.'
      : 'It moves by itself without end or for long, and nothing on the page pauses it.',
  };
}

const MOVING =
  /^(all|transform|translate|rotate|scale|top|right|bottom|left|inset|margin|width|height|background-position|max-height)/;
const MOVED = [
  'transform',
  'translate',
  'rotate',
  'scale',
  'top',
  'left',
  'right',
  'bottom',
  'width',
  'height',
  'margin-left',
  'margin-top',
  'background-position-x',
  'background-position-y',
];

const movesOverTime = oncePerShape((style) =>
  transitionsOf(style).some(({ property, duration }) => MOVING.test(property) && millis(duration) > 0),
);

/** True where going from one state to the other moves something over time. */
function moves(from: ElementStyle, to: ElementStyle): boolean {
  const name = to.text('animation-name');
  if (name !== 'none' && name !== from.text('animation-name') && runsFor(to) > 0) return true;
  return movesOverTime(to) && MOVED.some((property) => from.text(property) !== to.text(property));
}

/**
 * WCAG 2.2, 2.3.3 (AAA): motion that an interaction sets off can be switched off; here, by asking for less of it. Nothing
 * where nothing moves.
 *
 * @param reduced the same two states where less motion is preferred
 */
export function checkReducedMotion(
  rest: ElementStyle,
  state: ElementStyle,
  reduced: () => { readonly rest: ElementStyle; readonly state: ElementStyle },
): Check | undefined {
  if (!moves(rest, state)) return undefined;
  const { rest: restReduced, state: stateReduced } = reduced();
  const still = !moves(restReduced, stateReduced);
  return {
    ...without('2.3.3', 'exempt', 0, '', 'ancestors', 'ms'),
    verdict: still ? 'passes' : 'short',
    reason: still ? 'It keeps still where less motion is preferred.' : 'It moves also where less motion is preferred.',
  };
}
