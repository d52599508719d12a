import type { StateColumn } from '../../component/state-column.js';
import type { LedgerCheck } from '../../ledger/ledger-check.js';
import type { Draft, Drafting } from '../drafting.js';

/** No motion for those who ask for less of it; for all others it stays as it is (WCAG 2.2, 2.3.3). */
export function draftLessMotion(drafting: Drafting, check: LedgerCheck, column: StateColumn): Draft[] {
  const { style } = drafting.seen(check.part, check.column);
  const still = (property: string, value: string) => {
    const setting = drafting.settingOf(check.part, column, property, value);
    return { ...setting, when: { ...setting.when, motion: 'reduced' as const } };
  };
  const settings = [
    ...(style.text('animation-name') === 'none' ? [] : [still('animation-name', 'none')]),
    ...(/[1-9]/.test(style.text('transition-duration')) ? [still('transition-duration', '0s')] : []),
  ];
  if (!settings.length) return [];
  const words = `${drafting.labelOf(check.part)} keeps still where less motion is asked for`;
  return [{ kind: 'timing', words, settings, distance: 1 }];
}
