import { colourBehind } from '../../check/edge.js';
import { checkWay, wayBetween } from '../../check/way-between.js';
import { WHITE } from '../../colour/rgba.js';
import type { StateColumn } from '../../component/state-column.js';
import type { LedgerCheck } from '../../ledger/ledger-check.js';
import type { Draft, Drafting } from '../drafting.js';

/** Text and ground that change at one time, or at once. */
export function draftTiming(drafting: Drafting, check: LedgerCheck, column: StateColumn): Draft[] {
  const rest = drafting.seen(check.part, 'default');
  const state = drafting.seen(check.part, check.column);
  const behind = () => {
    const found = colourBehind(state.looking, state.element.parent);
    return typeof found === 'string' ? WHITE : found;
  };
  const way = wayBetween(rest.style, state.style, behind, check.needed);
  if (!way || checkWay(rest.style, state.style, behind, check.needed)?.verdict !== 'short') return [];
  const set = (property: string, value: string) => drafting.settingOf(check.part, column, property, value);
  return [
    {
      kind: 'timing',
      words: 'Text and background change together, in the same time',
      settings: [
        set('transition-property', 'color, background-color'),
        set('transition-duration', `${way.lasts}ms`),
        set('transition-timing-function', 'ease'),
        set('transition-delay', '0s'),
      ],
      distance: 0,
    },
    {
      kind: 'timing',
      words: 'They change at once, without a way between',
      settings: [set('transition-duration', '0s'), set('transition-delay', '0s')],
      distance: 1,
    },
  ];
}
