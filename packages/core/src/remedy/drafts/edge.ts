import type { StateColumn } from '../../component/state-column.js';
import type { LedgerCheck } from '../../ledger/ledger-check.js';
import type { Draft, Drafting } from '../drafting.js';
import { isTwoShaded } from '../../paint/border-colour.js';
import { askedAround } from './around.js';

/** The edge that shows a control, or where it has none its ground. */
export function draftEdge(drafting: Drafting, check: LedgerCheck, column: StateColumn): Draft[] {
  const { background } = check;
  if (!background) return [];
  const { style } = drafting.seen(check.part, check.column);
  const what = drafting.labelOf(check.part);
  const widths = ['top', 'right', 'bottom', 'left'].filter(
    (side) => Number.parseFloat(style.text(`border-${side}-width`)) > 0,
  );
  if (widths.length) {
    const from = style.colour(`border-${widths[0]!}-color`);
    return drafting.colourDrafts(
      'edge',
      from,
      askedAround(drafting, check, column, `border-${widths[0]!}-color`),
      (css) => [
        ...widths.map((side) => drafting.settingOf(check.part, column, `border-${side}-color`, css)),
        // Of two shades by its style neither would be the colour that is set.
        ...widths
          .filter((side) => isTwoShaded(style.text(`border-${side}-style`)))
          .map((side) => drafting.settingOf(check.part, column, `border-${side}-style`, 'solid')),
      ],
      `${what} border`,
    );
  }
  const ground = style.colour('background-color');
  return drafting.colourDrafts(
    'ground',
    ground.alpha > 0 ? ground : background,
    askedAround(drafting, check, column, 'background-color'),
    (css) => [drafting.settingOf(check.part, column, 'background-color', css)],
    `${what} background`,
  );
}
