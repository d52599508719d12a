import type { Asked } from '../../colour/nearest.js';
import type { StateColumn } from '../../component/state-column.js';
import type { LedgerCheck } from '../../ledger/ledger-check.js';
import { askedOf } from '../../what-if/try-colours.js';
import type { Draft, Drafting } from '../drafting.js';
import { askedAround } from './around.js';

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

/** The colour of an icon: its fill, or the text colour that it takes. */
export function draftIcon(drafting: Drafting, check: LedgerCheck, column: StateColumn): Draft[] {
  if (!check.background) return [];
  const { style, element } = drafting.seen(check.part, check.column);
  const property = element.namespace === 'svg' && style.text('fill') !== 'currentcolor' ? 'fill' : 'color';
  const from = check.foreground ?? style.colour('color');
  return drafting.valueDrafts('edge', from, check.part, column, property, 'icon', (alone) =>
    askedByIcons(drafting, check, column, property, alone),
  );
}
