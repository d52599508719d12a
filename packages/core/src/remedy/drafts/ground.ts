import { toHex } from '../../colour/print.js';
import { BLACK, WHITE } from '../../colour/rgba.js';
import { leastAlpha } from '../../colour/nearest.js';
import { partNamed } from '../../component/kind.js';
import type { StateColumn } from '../../component/state-column.js';
import type { LedgerCheck } from '../../ledger/ledger-check.js';
import type { Draft, Drafting } from '../drafting.js';

/** The ground behind a text: another colour, less of what shows through, or a veil. */
export function draftGround(drafting: Drafting, check: LedgerCheck, column: StateColumn): Draft[] {
  const part = drafting.session.groundPart(drafting.look, check.part, check.column, drafting.sheetRequest);
  // A pseudo-element's text stands on its element's ground.
  const standing = partNamed(drafting.session.kind, check.part);
  const scrimmed = standing?.pseudo === undefined ? check.part : (standing.carrier ?? check.part);
  if (part === undefined) return draftScrim(drafting, check, column, scrimmed);
  const state = drafting.columnOf(part, check, column);
  const asked = drafting.askedOf(check, part, state, 'background-color');
  if (!asked) return [];
  const { style } = drafting.seen(part, state.name);
  const from = style.colour('background-color');
  const settings = (css: string) => [drafting.settingOf(part, state, 'background-color', css)];
  const what = `${drafting.labelOf(part)} background`;
  const drafts: Draft[] = [];
  if (from.alpha > 0 && from.alpha < 1) {
    const alpha = leastAlpha(from, from.alpha, asked.passes);
    if (alpha !== undefined) {
      const css = toHex({ ...from, alpha });
      drafts.push({
        kind: 'opacity',
        words: `${what}: ${Math.round(from.alpha * 100)} → ${Math.round(alpha * 100)} % opaque`,
        settings: settings(css),
        distance: (alpha - from.alpha) * 20,
      });
    }
  }
  if (style.text('background-image') !== 'none' || check.varies)
    return [...drafts, ...draftScrim(drafting, check, column, scrimmed)];
  if (from.alpha > 0) {
    drafts.push(
      ...drafting.valueDrafts('ground', from, part, state, 'background-color', 'background', (alone) =>
        alone ? drafting.askedOf(check, part, state, 'background-color', true) : asked,
      ),
    );
  }
  return drafts;
}

/** A veil right behind the text, of black or white, no denser than it takes. */
function draftScrim(drafting: Drafting, check: LedgerCheck, column: StateColumn, part: string): Draft[] {
  const asked = drafting.askedOf(check, part, column, 'background-color');
  if (!asked) return [];
  const { passes } = asked;
  return [BLACK, WHITE].flatMap((colour): Draft[] => {
    const alpha = leastAlpha(colour, 0, passes);
    if (alpha === undefined || alpha >= 1) return [];
    return [
      {
        kind: 'scrim',
        words: `${colour === BLACK ? 'Dark' : 'Light'} scrim of ${Math.round(alpha * 100)} % behind the ${drafting.labelOf(check.part).toLowerCase()}`,
        settings: [drafting.settingOf(part, column, 'background-color', toHex({ ...colour, alpha }))],
        distance: alpha * 30,
      },
    ];
  });
}
