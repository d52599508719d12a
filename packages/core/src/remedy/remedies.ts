import type { Level } from '../check/check.js';
import { worstOf } from '../check/text.js';
import { columnNamed } from '../component/states.js';
import { checkKey, isShort } from '../ledger/due.js';
import { onceGone, type LedgerCheck } from '../ledger/ledger-check.js';
import { changeLook, type Look } from '../look/model.js';
import type { ComponentSession } from '../session/component-session.js';
import { Drafting, RemedyMemory, type Draft, type RemedyRequest } from './drafting.js';
import { DRAFTERS } from './drafts/index.js';
import type { Alteration, Remedy } from './remedy.js';

/** Which check a suggested fix is wanted of. */
export interface CheckRef {
  readonly part: string;
  readonly column: string;
  readonly demand: string;
}

const COLOUR_PROPERTIES = [
  'color',
  'background-color',
  'background-image',
  'border-top-color',
  'border-right-color',
  'border-bottom-color',
  'border-left-color',
  'outline-color',
  'fill',
  'stroke',
  'text-decoration-color',
  'font-weight',
  'font-size',
  'outline-style',
  'outline-width',
  'box-shadow',
  'text-decoration-line',
  'transition-duration',
  'animation-name',
  'animation-iteration-count',
] as const;

/** Finds suggested fixes of checks that fall short, for one component under one look. */
export class Remedies {
  private readonly drafting: Drafting;

  constructor(
    private readonly session: ComponentSession,
    private readonly look: Look,
    private readonly request: RemedyRequest,
    memory = new RemedyMemory(session, look, request),
  ) {
    this.drafting = new Drafting(session, look, request, memory);
  }

  /** Ranked suggested fixes of one check; the first does the least harm and changes the least. */
  propose(ref: CheckRef): Remedy[] {
    const before = this.session.ledger(this.look, this.request);
    const check = this.checkIn(before, ref);
    if (!check || check.verdict !== 'short') return [];
    const drafts = this.draftsFor(check);
    const seen = new Set<string>();
    return drafts
      .filter(({ settings }) => {
        const key = JSON.stringify(settings);
        return !seen.has(key) && seen.add(key);
      })
      .flatMap((draft) => this.verify(draft, ref, before) ?? [])
      .sort(
        (a, b) =>
          a.breaks.length - b.breaks.length || weigh(a) + a.alters.length * 0.2 - weigh(b) - b.alters.length * 0.2,
      );
  }

  /** Changes that may mend a check, the smallest first, with nothing tried yet. */
  draftsFor(check: LedgerCheck): Draft[] {
    const column = columnNamed(check.column)!;
    const drafters = check.approach ? DRAFTERS[check.approach] : [];
    return drafters.flatMap((draft) => draft(this.drafting, check, column)).sort((a, b) => weigh(a) - weigh(b));
  }

  private checkIn(checks: readonly LedgerCheck[], ref: CheckRef): LedgerCheck | undefined {
    const own = checks.filter(
      ({ part, column, demand }) => part === ref.part && column === ref.column && demand === ref.demand,
    );
    return worstOf(own) as LedgerCheck | undefined;
  }

  /** What a draft really does, from all the checks with and without it; nothing where it does not help. */
  private verify(draft: Draft, ref: CheckRef, before: readonly LedgerCheck[]): Remedy | undefined {
    const next = changeLook(this.look, draft.settings);
    const after = this.session.ledger(next, this.request);
    const own = after.filter(
      (item) => item.part === ref.part && item.column === ref.column && item.demand === ref.demand,
    );
    const was = this.checkIn(before, ref);
    const judged = own.length ? (worstOf(own) as LedgerCheck | undefined) : was && onceGone(was);
    if (!judged || judged.verdict === 'short' || judged.verdict === 'unsure') return undefined;
    const old = new Map(before.map((item) => [checkKey(item), item]));
    const { level } = this.request;
    const isOther = (item: LedgerCheck) => !own.includes(item);
    return {
      ...draft,
      after: judged,
      alters: this.altered(next),
      breaks: after.filter((item) => isOther(item) && isShort(item, level) && !wasShort(old, item, level)),
      mends: after.filter(
        (item) => isOther(item) && item.verdict === 'passes' && old.get(checkKey(item))?.verdict === 'short',
      ),
    };
  }

  /** Every value that is otherwise under another look. */
  private altered(next: Look): Alteration[] {
    const request = this.drafting.sheetRequest;
    return this.session.columnsOfParts(next, request).flatMap(({ part, columns }) =>
      columns.flatMap((column) => {
        const values = (look: Look) => this.session.valuesIn(look, part.part.name, column, request, COLOUR_PROPERTIES);
        const [was, is] = [values(this.look), values(next)];
        return COLOUR_PROPERTIES.flatMap((property): Alteration[] => {
          const [old, now] = [was.get(property)!, is.get(property)!];
          if (old === now) return [];
          const { name, label } = part.part;
          return [{ part: name, label, column: column.name, property, before: old, after: now }];
        });
      }),
    );
  }
}

const wasShort = (old: ReadonlyMap<string, LedgerCheck>, item: LedgerCheck, level?: Level): boolean => {
  const was = old.get(checkKey(item));
  return was !== undefined && isShort(was, level);
};

/** More than any two colours differ by (ΔEOK × 100). */
const LOST_HUE = 100;

/** A colour that the site has already is worth some difference, but no other hue. */
const weigh = ({ kind, distance, losesHue }: Draft): number =>
  (kind === 'site-colour' ? distance * 0.6 : distance) + (losesHue ? LOST_HUE : 0);
