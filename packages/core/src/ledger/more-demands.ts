import { appearanceOf, coloursApart, formsApart } from '../check/appearance.js';
import type { Check } from '../check/check.js';
import { without } from '../check/check.js';
import { checkDistinct } from '../check/distinct.js';
import { colourBehind } from '../check/edge.js';
import { checkFocusAppearance, checkFocusRing, checkFocusVisible } from '../check/focus.js';
import { hiddenBy } from '../check/hidden.js';
import { checkLeftover } from '../check/leftover.js';
import { checkLinkInText } from '../check/link-in-text.js';
import { checkLost } from '../check/lost.js';
import { checkMoves, checkReducedMotion } from '../check/motion.js';
import { checkComfort, checkLeadsNowhere, checkSquashed, checkTooTall } from '../check/room.js';
import { isTarget } from '../check/is-target.js';
import { checkTarget } from '../check/target.js';
import { checkText, NEEDED_LARGE, NEEDED_NORMAL, worstOf } from '../check/text.js';
import { drawnSize } from '../check/drawn-size.js';
import { isLarge } from '../check/text-case.js';
import { checkMovedByScript } from './moved-by-script.js';
import { checkWay } from '../check/way-between.js';
import { checkWeight } from '../check/weight.js';
import { WHITE } from '../colour/rgba.js';
import type { StateColumn } from '../component/state-column.js';
import type { FoundPart } from '../component/parts.js';
import { CARRIED } from '../css/selector/states.js';
import { shownBits } from '../component/states.js';
import type { Subject } from '../component/subject.js';
import { hasOwnText, type ElementNode } from '../tree/tree.js';
import type { LookedAt } from './checks.js';
import type { Approach } from './ledger-check.js';

/** Demands that every kind makes of its parts, beside those of its own. */
export interface MoreInput {
  readonly part: FoundPart;
  readonly subject: Subject;
  readonly column: StateColumn;
  /** Columns of the part. */
  readonly columns: readonly StateColumn[];
  /** Root of the component. */
  readonly root: ElementNode;
  readonly see: (column: StateColumn) => LookedAt;
  /** The same where less motion is preferred. */
  readonly seeReduced: (column: StateColumn) => LookedAt;
  /** The same with the element that opens it focused instead of pointed at; undefined where nothing opens it. */
  readonly seeFocused: (() => LookedAt) | undefined;
  readonly isFirst: boolean;
}

export interface NamedCheck {
  readonly demand: string;
  readonly label: string;
  readonly check: Check;
  readonly approach?: Approach;
}

/** States that are told apart from the default, and from one another in this order. */
const TOLD_APART = ['hover', 'focus', 'pressed', 'current', 'current+hover'];

/** A column with those that it is compared with. */
export const comparedWith = (column: StateColumn, columns: readonly StateColumn[]): StateColumn[] => {
  const at = TOLD_APART.indexOf(column.name);
  const before = TOLD_APART.slice(0, Math.max(0, at));
  return columns.filter(({ name }) => name === 'default' || name === column.name || before.includes(name));
};

/** @param approach what can help where it falls short */
const named = (demand: string, label: string, check: Check | undefined, approach?: Approach): NamedCheck[] =>
  check ? [{ demand, label, check, ...(approach ? { approach } : {}) }] : [];

/** True for a control, which is what is pointed at. */
const isControlOf = ({ part: { part } }: MoreInput, element: ElementNode): boolean =>
  isTarget(element) && part.carrier === undefined;

/** Demands of a part at rest at levels A and AA. */
function requiredAtRest(input: MoreInput, seen: LookedAt): NamedCheck[] {
  const { root, seeFocused } = input;
  const { looking, element, style } = seen;
  return [
    ...(isControlOf(input, element) ? named('target', 'Target size', checkTarget(looking, element, false)) : []),
    ...named('link-in-text', 'Link told from its text', checkLinkInText(looking, element), 'underline'),
    ...named('moves', 'Moves by itself', checkMoves(style, element, root), 'stop'),
    ...(element === root ? named('moved', 'Moved by its script', checkMovedByScript(style, element)) : []),
    ...(seeFocused ? named('opens', 'Content shown on hover', checkOpens(seen, seeFocused())) : []),
  ];
}

/** What is asked of a part at rest beyond that. */
function furtherAtRest(input: MoreInput, { looking, element }: LookedAt): NamedCheck[] {
  const { part, isFirst } = input;
  const isControl = isControlOf(input, element);
  const text = hasOwnText(element) ? checkText(looking, element) : undefined;
  return [
    ...(isControl ? named('target-large', 'Target size, enhanced', checkTarget(looking, element, true)) : []),
    ...named('lost', 'Seen as a control', checkLost(looking, element)),
    ...named('weight', 'Weight of its picture', checkWeight(looking, element)),
    ...named('squashed', 'Room around the text', checkSquashed(looking, element)),
    ...(isFirst ? named('tall', 'Height on a phone', checkTooTall(looking, element)) : []),
    ...(part.part.states.includes('hover') && !isControl && !part.part.carrier && !part.part.ownPseudoStates
      ? named('nowhere', 'Can be used', checkLeadsNowhere(looking, element))
      : []),
    ...(text ? named('comfort', 'Comfort', checkComfort(looking, element, text)) : []),
  ];
}

/** WCAG 2.2, 1.4.13, its first condition: what the pointer opens, the keyboard opens too. */
function checkOpens(pointed: LookedAt, focused: LookedAt): Check | undefined {
  if (hiddenBy(pointed.view, pointed.element)) return undefined;
  const opens = hiddenBy(focused.view, focused.element) === undefined;
  return {
    ...without('1.4.13', 'exempt', 1, '', 'ancestors', 'share'),
    verdict: opens ? 'passes' : 'short',
    measured: opens ? 1 : 0,
    reason: opens
      ? 'It opens to the focus as well.'
      : 'It opens to the pointer only: by keyboard and by touch nobody gets there.',
  };
}

/** A column with those that it is come to from: what is pressed is pointed at before. */
export const movedFrom = (column: StateColumn, columns: readonly StateColumn[]): StateColumn[] =>
  columns.filter(
    ({ name }) => name === 'default' || name === column.name || (name === 'hover' && column.name === 'pressed'),
  );

/** That a state is told apart; of two states the one that differs least is what it is judged by. */
export function distinctDemand(input: MoreInput): NamedCheck[] {
  const { column, columns, see, part } = input;
  const at = TOLD_APART.indexOf(column.name);
  if (at < 0 || !columns.some(({ name }) => name === 'default') || !canBe(input)) return [];
  const seen = see(column);
  if (hiddenBy(seen.looking.view, seen.element) || !isTarget(seen.element)) return [];
  const own = appearanceOf(seen.looking, seen.element, part.part.pseudo);
  const others = columns.filter(({ name }) => name === 'default' || TOLD_APART.slice(0, at).includes(name));
  const checks = others.map((other) => {
    const theirs = see(other);
    return checkDistinct(
      appearanceOf(theirs.looking, theirs.element, part.part.pseudo),
      own,
      `From ${other.label.toLowerCase()}`,
    );
  });
  return named('distinct', 'Told apart', worstOf(checks));
}

/** True where the markup can bring the subject into the column's state. */
const canBe = ({ subject, column }: MoreInput): boolean =>
  (shownBits(column) & CARRIED & ~subject.states.possible) === 0;

/** A part in a state and at rest, as focus is judged; undefined where it is not what has the focus. */
function focusOf(input: MoreInput, { looking, element }: LookedAt, before: LookedAt) {
  if (input.column.name !== 'focus' || input.part.part.pseudo !== undefined || !isControlOf(input, element)) {
    return undefined;
  }
  return { focused: looking, rest: before.looking, element, atRest: before.element };
}

/** Demands of a part in a state at levels A and AA. */
function requiredInState(input: MoreInput, seen: LookedAt, before: LookedAt): NamedCheck[] {
  const focus = focusOf(input, seen, before);
  if (!focus) return [];
  return [
    ...named('focus-visible', 'Focus is visible', checkFocusVisible(focus), 'ring'),
    ...named('focus-ring', 'Focus ring against what is beside it', checkFocusRing(focus), 'ring'),
  ];
}

/** What is asked of a part in a state beyond that. */
function furtherInState(input: MoreInput, seen: LookedAt, before: LookedAt): NamedCheck[] {
  const { part, column, columns, see, seeReduced } = input;
  const { looking, element, style } = seen;
  const focus = focusOf(input, seen, before);
  const found: NamedCheck[] = focus
    ? named('focus-appearance', 'Focus is large and clear', checkFocusAppearance(focus), 'ring')
    : [];
  if (part.part.pseudo === undefined) {
    found.push(
      ...named('leftover', 'Nothing left over', checkLeftover(before.looking, looking, before.element, element)),
    );
  }
  if (hasOwnText(element)) {
    const behind = () => {
      const found = colourBehind(looking, element.parent);
      return typeof found === 'string' ? WHITE : found;
    };
    const needed = isLarge(drawnSize(style), style.fontWeight) ? NEEDED_LARGE : NEEDED_NORMAL;
    const from = movedFrom(column, columns).find(({ name }) => name === 'hover' && name !== column.name);
    const { style: rest } = from ? see(from) : before;
    found.push(...named('transition', 'On the way', checkWay(rest, style, behind, needed), 'timing'));
  }
  found.push(
    ...named(
      'reduced-motion',
      'Less motion on request',
      checkReducedMotion(before.style, style, () => ({
        rest: seeReduced(restOf(columns)!).style,
        state: seeReduced(column).style,
      })),
      'less-motion',
    ),
  );
  return found;
}

const restOf = (columns: readonly StateColumn[]): StateColumn | undefined =>
  columns.find(({ name }) => name === 'default');

/** Demands at rest, or in a state where that is to be seen and there is a rest to compare it with. */
function demandsOf(
  input: MoreInput,
  atRest: (input: MoreInput, seen: LookedAt) => NamedCheck[],
  inState: (input: MoreInput, seen: LookedAt, before: LookedAt) => NamedCheck[],
): NamedCheck[] {
  const { column, columns, part, see } = input;
  if (!canBe(input)) return [];
  if (column.name === 'default') return part.part.pseudo === undefined ? atRest(input, see(column)) : [];
  const rest = restOf(columns);
  if (!rest) return [];
  const seen = see(column);
  return hiddenBy(seen.view, seen.element) ? [] : inState(input, seen, see(rest));
}

/** What conformance at levels A and AA asks of a part in a column beside its kind's own demands. */
export const requiredDemands = (input: MoreInput): NamedCheck[] => demandsOf(input, requiredAtRest, requiredInState);

/** Columns in which anything is required. */
export const hasRequired = ({ name }: StateColumn): boolean => name === 'default' || name === 'focus';

/** What is asked beyond that, beside that states are told apart. */
export const furtherDemands = (input: MoreInput): NamedCheck[] => demandsOf(input, furtherAtRest, furtherInState);

/** Two siblings that mean opposite things, told apart by more than colour. */
export function siblingsApart(a: LookedAt, b: LookedAt): Check | undefined {
  if (hiddenBy(a.view, a.element) || hiddenBy(b.view, b.element)) return undefined;
  const [first, second] = [appearanceOf(a.looking, a.element), appearanceOf(b.looking, b.element)];
  // Alike in everything is no trick of colour.
  if (!formsApart(first, second).length && coloursApart(first, second) < 1) return undefined;
  return checkDistinct(first, second, 'Beside its sibling');
}
