import { drawnIcon, type DrawnIcon } from '../../check/icon/drawn.js';
import type { Asked } from '../../colour/nearest.js';
import type { StateColumn } from '../../component/state-column.js';
import type { LedgerCheck } from '../../ledger/ledger-check.js';
import { askedOf } from '../../what-if/try-colours.js';
import type { Draft, Drafting } from '../drafting.js';
import { askedAround } from './around.js';

const isGround = (drawn: DrawnIcon | undefined) => drawn?.means === 'mask' || drawn?.means === 'box';

/** What every icon that would show a colour asks of it. */
function askedByIcons(
  drafting: Drafting,
  check: LedgerCheck,
  column: StateColumn,
  property: string,
  alone: boolean,
): Asked | undefined {
  const ref = { part: check.part, property, column: column.name, alone };
  const cases = drafting.session.whatIf.icons(
    drafting.look,
    ref,
    drafting.slotOf(check.part, column, property),
    drafting.request,
  );
  // Where none can be tried the grounds are those that they are seen on now.
  return cases.length ? askedOf(cases, 'color') : alone ? undefined : askedAround(drafting, check, column, property);
}

/** The colour of an icon: its fill, the text colour that it takes, or the ground that a mask or its box shows. */
export function draftIcon(drafting: Drafting, check: LedgerCheck, column: StateColumn): Draft[] {
  if (!check.background) return [];
  const { style, element, looking } = drafting.seen(check.part, check.column);
  const drawn = drawnIcon(looking, element);
  // A picture brings its colours along, and what is drawn by something within is no value of this part.
  if (drawn?.means === 'picture' || (isGround(drawn) && drawn?.cases.some(({ carrier }) => carrier !== element)))
    return [];
  const isFilled = element.namespace === 'svg' && style.text('fill') !== 'currentcolor';
  const property = isGround(drawn) ? 'background-color' : isFilled ? 'fill' : 'color';
  const from = check.foreground ?? style.colour('color');
  return drafting.valueDrafts('edge', from, check.part, column, property, 'icon', (alone) =>
    askedByIcons(drafting, check, column, property, alone),
  );
}
