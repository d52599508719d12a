import { colourBehind } from '../../check/edge.js';
import { around as aroundOf } from '../../check/focus.js';
import { seenSides } from '../../check/cut-off.js';
import { hiddenBy } from '../../check/hidden.js';
import { contrastRatio } from '../../colour/contrast.js';
import { nearestOf, nearestPassing } from '../../colour/nearest.js';
import { toHex } from '../../colour/print.js';
import { BLACK, WHITE, type Rgba } from '../../colour/rgba.js';
import type { Setting } from '../../look/model.js';
import type { StateColumn } from '../../component/state-column.js';
import { SIDES } from '../../paint/boxes.js';
import type { LookedAt } from '../../ledger/checks.js';
import type { LedgerCheck } from '../../ledger/ledger-check.js';
import type { Draft, Drafting } from '../drafting.js';

/** Of a focus ring, in CSS pixels: how thick it is, and how far off. */
const RING = 2;
const RING_GAP = 2;

/** An outline that stands out from the page and from the control. */
export function draftRing(drafting: Drafting, check: LedgerCheck, column: StateColumn): Draft[] {
  // Two pixels off the control, what is around it is all that the ring stands on: of every element, at every width.
  const all = drafting.request.viewports.flatMap(({ environment }) =>
    drafting.session.allSeenUnder(drafting.look, check.part, check.column, {
      ...drafting.sheetRequest,
      environment,
    }),
  );
  const { style } = drafting.seen(check.part, check.column);
  const grounds = distinctColours(
    all
      .filter(({ view, element }) => hiddenBy(view, element) === undefined)
      .flatMap(({ looking, element }) => {
        const found = aroundOf(looking, element, RING_GAP + RING + 1);
        const behind = typeof found === 'string' ? colourBehind(looking, element.parent) : found;
        return typeof behind === 'string' ? [] : Array.isArray(behind) ? (behind as Rgba[]) : [behind as Rgba];
      }),
  );
  if (!grounds.length) return [];
  const from = style.colour('color');
  const set = (property: string, value: string) => drafting.settingOf(check.part, column, property, value);
  const outline = (css: string, gap: number): Setting[] => [
    set('outline-style', 'solid'),
    set('outline-width', `${RING}px`),
    set('outline-color', css),
    set('outline-offset', `${gap}px`),
  ];
  const around = drafting.labelOf(check.part).toLowerCase();
  const single = ringColour(drafting, from, grounds);
  const drafts: Draft[] = single
    ? [
        {
          kind: 'ring',
          words: `Ring of ${RING} px in ${single.css} around the ${around}`,
          settings: outline(single.css, RING_GAP),
          distance: 0,
        },
      ]
    : [];
  if (all.some(isCut)) drafts.unshift(...insideRing(drafting, check, from, all, outline));
  // Over grounds that no one colour stands out from, one of two always does (technique C40).
  drafts.push({
    kind: 'ring',
    words: `Double ring of white and black around the ${around}, seen on any ground`,
    settings: [...outline('#ffffff', 0), set('box-shadow', `0 0 0 ${2 * RING}px #000000`)],
    distance: 6,
  });
  return drafts;
}

/** The nearest colour that stands out from all grounds, of the site's own first. */
function ringColour(drafting: Drafting, from: Rgba, grounds: readonly Rgba[]) {
  const passes = (colour: Rgba) => grounds.every((ground) => contrastRatio(colour, ground) >= 3);
  return nearestOf(from, [...drafting.palette, from, BLACK, WHITE], passes) ?? nearestPassing(from, passes);
}

/** Whether what holds an element cuts off a ring around it. */
const isCut = ({ looking, element }: LookedAt): boolean =>
  seenSides(looking, element, { offset: RING_GAP, thickness: RING }).length < SIDES.length;

/** A ring within the control, which nothing around it cuts off. */
function insideRing(
  drafting: Drafting,
  check: LedgerCheck,
  from: Rgba,
  all: readonly LookedAt[],
  outline: (css: string, gap: number) => Setting[],
): Draft[] {
  const grounds = distinctColours(
    all.flatMap(({ looking, element }) => {
      const behind = colourBehind(looking, element);
      return typeof behind === 'string' ? [] : [behind];
    }),
  );
  const found = grounds.length ? ringColour(drafting, from, grounds) : undefined;
  if (!found) return [];
  const part = drafting.labelOf(check.part).toLowerCase();
  const words = `Ring of ${RING} px in ${found.css} within the ${part}`;
  // A pixel off the edge, so that the edge is no part of it.
  return [{ kind: 'ring', words, settings: outline(found.css, -RING - 1), distance: 0 }];
}

const distinctColours = (colours: readonly Rgba[]): Rgba[] => [
  ...new Map(colours.map((colour) => [toHex(colour), colour])).values(),
];
