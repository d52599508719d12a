import { parseColour } from '../colour/parse.js';
import { toHex } from '../colour/print.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import { oncePerShape } from '../css/cascade/once-per-shape.js';
import type { StyledPage } from '../css/cascade/page-styles.js';
import type { Keyframe } from '../css/sheet/sheet.js';
import type { Looking } from '../paint/scene.js';
import { selfAndAncestors, type ElementNode } from '../tree/tree.js';
import { without, type Check } from './check.js';
import { animationsOf, LONGEST_MOTION_MS, type Animated } from './motion.js';
import { whereverScrolled } from './while-scrolling.js';

/** What of an animation changes what is seen of a text or an icon. */
const PAINTS =
  /^(color|background(-.*)?|opacity|filter|backdrop-filter|mix-blend-mode|fill|stroke|(fill|stroke)-opacity|-webkit-text-fill-color|border(-.*)?-color|border-color)$/;

const leavesItsEnd = ({ fill }: Animated): boolean => /^(forwards|both)$/.test(fill);

/** How long an animation runs by itself, in milliseconds; without end where it stands still, or goes by scrolling. */
const lastsFor = ({ count, duration, play, timeline }: Animated): number =>
  play === 'paused' || timeline !== 'auto' ? Infinity : count === 'infinite' ? Infinity : duration * Number(count);

/**
 * The moments that something is seen in for long: of an animation that goes on all of them, of another what it leaves,
 * and what it waits in.
 */
function lasting(frames: readonly Keyframe[], animation: Animated): readonly Keyframe[] {
  const endsOnTheWay = leavesItsEnd(animation) && !Number.isInteger(Number(animation.count));
  if (endsOnTheWay || lastsFor(animation) > LONGEST_MOTION_MS) return frames;
  const [start, end] = animation.direction === 'reverse' ? [1, 0] : [0, 1];
  const turns = animation.direction.startsWith('alternate');
  const waits = animation.delay > LONGEST_MOTION_MS && /^(backwards|both)$/.test(animation.fill);
  return frames.filter(
    ({ offset }) => (leavesItsEnd(animation) && (offset === end || turns)) || (waits && (offset === start || turns)),
  );
}

/** Whether a value that a moment sets is another than the one that is measured. */
function differs(style: ElementStyle, property: string, value: string): boolean {
  const now = style.text(property);
  const [own, set] = [parseColour(now), parseColour(value)];
  if (own && set) return toHex(own) !== toHex(set);
  if (/^currentcolor$/i.test(value) && own) return toHex(own) !== toHex(style.colour('color'));
  const [from, to] = [Number(now), Number(value)];
  return Number.isFinite(from) && Number.isFinite(to) ? Math.abs(from - to) > 0.001 : now !== value;
}

/** Shorthands say more than one thing: of a ground the colour is what is compared. */
const comparedAs = (property: string) => (property === 'background' ? 'background-color' : property);

/** Whether an element or what holds it has animations at all. */
const isAnimated = oncePerShape(
  (style: ElementStyle): boolean =>
    animationsOf(style).length > 0 || (style.parent !== undefined && isAnimated(style.parent)),
);

/** Whether an element's animations leave what it paints otherwise than as it is measured. */
function isRepainted(view: StyledPage, style: ElementStyle): boolean {
  return animationsOf(style).some((animation) => {
    if (!animation.duration && lastsFor(animation) < Infinity && !leavesItsEnd(animation)) return false;
    return lasting(view.styles.keyframes(animation.name), animation).some(({ values }) =>
      [...values].some(([property, value]) => PAINTS.test(property) && differs(style, comparedAs(property), value)),
    );
  });
}

const REASON = 'An animation changes its colours, or how much of it is seen, and is not measured.';

/**
 * A check of something at any time: wherever the page is scrolled to, and whatever animations make of it. What passes only
 * as it stands without them is not sure.
 */
export function atAnyTime<C extends Check>(
  looking: Looking,
  element: ElementNode,
  check: (looking: Looking) => C,
): C | Check {
  const own = whereverScrolled(looking, element, check);
  if (own.verdict !== 'passes') return own;
  const { view } = looking;
  if (!isAnimated(view.of(element))) return own;
  if (![...selfAndAncestors(element)].some((node) => isRepainted(view, view.of(node)))) return own;
  return { ...without(own.criterion, 'unsure', own.needed, REASON, own.basis), large: own.large };
}
