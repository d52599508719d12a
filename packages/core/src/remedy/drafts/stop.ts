import { LONGEST_MOTION_MS, millis } from '../../check/motion.js';
import type { StateColumn } from '../../component/state-column.js';
import { splitTopLevel } from '../../css/values/split.js';
import type { LedgerCheck } from '../../ledger/ledger-check.js';
import type { Draft, Drafting } from '../drafting.js';

/** Fewer repeats, so that what moves by itself has come to rest within five seconds, or no motion at all (WCAG 2.2, 2.2.2). */
export function draftStop(drafting: Drafting, check: LedgerCheck, column: StateColumn): Draft[] {
  const { style } = drafting.seen(check.part, check.column);
  // A video or a marquee is not stopped by values.
  if (style.text('animation-name') === 'none') return [];
  const list = (property: string) => splitTopLevel(style.text(property));
  const delays = list('animation-delay').map(millis);
  const durations = list('animation-duration').map(millis);
  const repeats = durations.map((duration, i) =>
    duration > 0 ? Math.floor((LONGEST_MOTION_MS - (delays[i % delays.length] ?? 0)) / duration) : 1,
  );
  const what = drafting.labelOf(check.part);
  const set = (property: string, value: string) => [drafting.settingOf(check.part, column, property, value)];
  const drafts: Draft[] = [
    {
      kind: 'timing',
      words: `${what} does not move`,
      settings: set('animation-name', 'none'),
      distance: 2,
    },
  ];
  if (repeats.every((count) => count >= 1)) {
    const times = Math.min(...repeats);
    drafts.unshift({
      kind: 'timing',
      words: `${what} moves ${times === 1 ? 'once' : `${times} times`}, and rests within five seconds`,
      settings: set('animation-iteration-count', repeats.join(', ')),
      distance: 1,
    });
  }
  return drafts;
}
