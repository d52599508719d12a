import { leastAlpha, leastHundredth } from '../../colour/nearest.js';
import { toHex } from '../../colour/print.js';
import type { StateColumn } from '../../component/state-column.js';
import { partNamed } from '../../component/kind.js';
import type { LedgerCheck } from '../../ledger/ledger-check.js';
import { changeLook } from '../../look/model.js';
import { selfAndAncestors } from '../../tree/tree.js';
import type { Draft, Drafting } from '../drafting.js';

/** What keeps the colour that somebody chose is nearer to it than any other: a share of what a colour's alpha weighs. */
const NEARNESS = 4;

const percent = (share: number): string => `${Math.round(share * 100)}`;

/** More opacity for a text that lets its ground show through, by its colour or by itself, before any other colour. */
export function draftOpacity(drafting: Drafting, check: LedgerCheck, column: StateColumn): Draft[] {
  return [...draftAlpha(drafting, check, column), ...draftFade(drafting, check, column)];
}

function draftAlpha(drafting: Drafting, check: LedgerCheck, column: StateColumn): Draft[] {
  const { style } = drafting.seen(check.part, check.column);
  const from = style.colour('color');
  if (from.alpha <= 0 || from.alpha >= 1) return [];
  const asked = drafting.askedOf(check, check.part, column, 'color');
  if (!asked) return [];
  const alpha = leastAlpha(from, from.alpha, asked.passes);
  const set = (css: string) => [drafting.settingOf(check.part, column, 'color', css)];
  const what = `${drafting.labelOf(check.part)} text`;
  // Where even the colour itself does not pass, one that lets nothing show through may.
  if (alpha === undefined) return drafting.colourDrafts('text', { ...from, alpha: 1 }, asked, set, what);
  const value = toHex({ ...from, alpha });
  return [
    {
      kind: 'opacity',
      words: `${what}: ${percent(from.alpha)} → ${percent(alpha)} % opaque`,
      settings: set(value),
      distance: (alpha - from.alpha) * NEARNESS,
    },
  ];
}

/** The nearest part around a text, or the text's own, that is drawn see-through, with how much. */
function fadedPart(
  drafting: Drafting,
  check: LedgerCheck,
): { readonly part: string; readonly opacity: number } | undefined {
  const { view, element, style } = drafting.seen(check.part, check.column);
  const own = partNamed(drafting.session.kind, check.part);
  const opacityOf = (text: string) => Number.parseFloat(text);
  if (own?.pseudo !== undefined && opacityOf(style.text('opacity')) < 1)
    return { part: check.part, opacity: opacityOf(style.text('opacity')) };
  const parts = drafting.session.partsByOrder();
  for (const node of selfAndAncestors(element)) {
    const opacity = opacityOf(view.of(node).text('opacity'));
    if (!(opacity < 1)) continue;
    const part = node === element && own?.pseudo === undefined ? check.part : parts.get(node.order);
    return part === undefined ? undefined : { part, opacity };
  }
  return undefined;
}

function draftFade(drafting: Drafting, check: LedgerCheck, column: StateColumn): Draft[] {
  const faded = fadedPart(drafting, check);
  if (!faded || faded.opacity <= 0) return [];
  const { part, opacity } = faded;
  const { session, look, request } = drafting;
  const state = drafting.columnOf(part, check, column);
  const settingOf = (hundredths: number) => drafting.settingOf(part, state, 'opacity', `${hundredths / 100}`);
  const passes = (hundredths: number): boolean =>
    session
      .ledger(changeLook(look, [settingOf(hundredths)]), request)
      .filter((own) => own.part === check.part && own.column === check.column && own.demand === check.demand)
      .every(({ verdict }) => verdict !== 'short' && verdict !== 'unsure');
  const least = leastHundredth(opacity, passes);
  if (least === undefined) return [];
  return [
    {
      kind: 'opacity',
      words: `${drafting.labelOf(part)}: opacity ${percent(opacity)} → ${percent(least)} %`,
      settings: [settingOf(Math.round(least * 100))],
      distance: (least - opacity) * NEARNESS,
    },
  ];
}
