import { parseColour } from '../colour/parse.js';
import { toHex } from '../colour/print.js';
import type { Rgba } from '../colour/rgba.js';
import { keepsHue } from '../colour/hue.js';
import { nearestOf, nearestPassing, type Asked, type Nearest } from '../colour/nearest.js';
import { partNamed } from '../component/kind.js';
import { columnNamed } from '../component/states.js';
import type { StateColumn } from '../component/state-column.js';
import type { LedgerCheck, LedgerRequest } from '../ledger/ledger-check.js';
import { settingKey, type Look, type Setting } from '../look/model.js';
import type { ComponentSession } from '../session/component-session.js';
import { cellSetting } from '../sheet/cells.js';
import type { Slot } from '../what-if/rivals.js';
import { askedOf } from '../what-if/try-colours.js';
import type { RemedyKind } from './remedy.js';

export interface RemedyRequest extends LedgerRequest {
  /** Name of the viewport in which the remedy is looked for; the others are looked at for harm. */
  readonly at: string;
}

/** A change that may help, before it is known what else it does. */
export interface Draft {
  readonly kind: RemedyKind;
  readonly words: string;
  readonly settings: readonly Setting[];
  readonly distance: number;
  /** True where another of the drafts keeps the hue that this one gives up. */
  readonly losesHue?: boolean;
}

/** Drafts changes for a check, the smallest not always first, with nothing tried yet. */
export type Drafter = (drafting: Drafting, check: LedgerCheck, column: StateColumn) => Draft[];

/** What a further state that is given its value costs, beside a perceptual difference (ΔEOK × 100). */
const KEEPING = 0.5;

/** What is worked out for one look, whichever check and viewport are in hand. */
export class RemedyMemory {
  /** What colours are asked, by the settings that they would be. */
  readonly asked = new Map<string, Asked | null>();
  private required: readonly LedgerCheck[] | undefined;

  constructor(
    private readonly session: ComponentSession,
    private readonly look: Look,
    private readonly request: LedgerRequest,
  ) {}

  /** The checks at levels A and AA. */
  get checks(): readonly LedgerCheck[] {
    return (this.required ??= this.session.requiredChecks(this.look, this.request));
  }
}

/** What drafts of changes are made with: one component under one look, at the viewport in hand. */
export class Drafting {
  /** The colours that the site uses. */
  readonly palette: readonly Rgba[];

  constructor(
    readonly session: ComponentSession,
    readonly look: Look,
    readonly request: RemedyRequest,
    readonly memory: RemedyMemory,
  ) {
    this.palette = session.page.colours.map(({ hex }) => parseColour(hex)!);
  }

  get environment() {
    const { viewports, at } = this.request;
    return (viewports.find(({ name }) => name === at) ?? viewports[0]!).environment;
  }

  get sheetRequest() {
    const { place, added } = this.request;
    return { environment: this.environment, ...(place ? { place } : {}), ...(added ? { added } : {}) };
  }

  /** Where a value counts at the viewport in hand. */
  slotOf(part: string, column: StateColumn, property: string): Slot {
    const { place = {} } = this.request;
    const carrier = partNamed(this.session.kind, part)?.carrier ?? part;
    const slot = cellSetting(part, carrier, property, column, place);
    return this.session.whatIf.slotIn(this.look, slot, this.environment, place);
  }

  settingOf(part: string, column: StateColumn, property: string, value: string): Setting {
    return { ...this.slotOf(part, column, property), value };
  }

  /** What all that a colour has a say in asks of it, wherever it counts; undefined where it has a say in nothing. */
  askedOf(
    check: LedgerCheck,
    part: string,
    column: StateColumn,
    property: 'color' | 'background-color',
    alone = false,
  ): Asked | undefined {
    const ref = { part, property, column: column.name, alone };
    const slot = this.slotOf(part, column, property);
    const key = `${settingKey(slot)} ${check.withoutPictures === true} ${alone}`;
    let asked = this.memory.asked.get(key);
    if (asked === undefined) {
      const cases = this.session.whatIf.everywhere(this.look, ref, slot, this.request, check.withoutPictures);
      asked = cases.length ? askedOf(cases, property) : null;
      this.memory.asked.set(key, asked);
    }
    return asked ?? undefined;
  }

  /** The column in which a part is changed for a check: what lies around is in the state that it has itself, which is at rest. */
  columnOf(part: string, check: LedgerCheck, column: StateColumn): StateColumn {
    const hasState = partNamed(this.session.kind, part)?.states.includes(column.name as never);
    return part === check.part || hasState ? column : columnNamed('default')!;
  }

  /** The subject that stands for a part, seen in a column. */
  seen(part: string, column: string) {
    return this.session.seenUnder(this.look, part, column, this.sheetRequest);
  }

  /**
   * Another colour for a value of a part. Where none suits every state that would show it, one for its own state while
   * the others keep theirs.
   */
  valueDrafts(
    kind: 'text' | 'ground' | 'edge',
    from: Rgba,
    part: string,
    column: StateColumn,
    property: string,
    what: string,
    askedFor: (alone: boolean) => Asked | undefined,
  ): Draft[] {
    const words = `${this.labelOf(part)} ${what}`;
    const set = (css: string) => this.settingOf(part, column, property, css);
    const asked = askedFor(false);
    const drafts = asked ? this.colourDrafts(kind, from, asked, (css) => [set(css)], words) : [];
    const kept = drafts.length ? [] : this.keptValues(part, column, property);
    const alone = kept.length ? askedFor(true) : undefined;
    if (!alone) return drafts;
    return this.colourDrafts(kind, from, alone, (css) => [set(css), ...kept], words).map((draft) => ({
      ...draft,
      words: `${draft.words}, while ${kept.length === 1 ? 'another state keeps its' : 'other states keep theirs'}`,
      distance: draft.distance + KEEPING * kept.length,
    }));
  }

  /** The values of the states that would follow one, set for themselves; none where they differ from width to width. */
  keptValues(part: string, column: StateColumn, property: string): Setting[] {
    const { whatIf } = this.session;
    const slot = this.slotOf(part, column, property);
    const byColumn = new Map<string, Map<string, Setting>>();
    for (const { environment } of whatIf.viewportsOf(this.look, slot, this.request)) {
      const sheet = { ...this.sheetRequest, environment };
      for (const other of whatIf.followers(this.look, { part, property, column: column.name }, sheet)) {
        if (other.name === column.name) continue;
        const value = toHex(this.session.seenUnder(this.look, part, other.name, sheet).style.colour(property));
        const values = byColumn.get(other.name) ?? new Map<string, Setting>();
        byColumn.set(other.name, values.set(value, this.settingOf(part, other, property, value)));
        if (values.size > 1) return [];
      }
    }
    return [...byColumn.values()].flatMap((values) => [...values.values()]);
  }

  labelOf(part: string): string {
    return partNamed(this.session.kind, part)?.label ?? part;
  }

  /** The nearest of the site's own colours, and the nearest of all. */
  colourDrafts(
    kind: 'text' | 'ground' | 'edge',
    from: Rgba,
    asked: Asked,
    settings: (css: string) => Setting[],
    what: string,
  ): Draft[] {
    const own = nearestPassing(from, asked);
    const draft = (as: RemedyKind, found: Nearest | undefined, more: string): Draft[] =>
      found
        ? [
            {
              kind: as,
              words: `${what} ${toHex(from)} → ${found.css}${more}`,
              settings: settings(found.css),
              distance: found.distance,
              ...(own && !keepsHue(from, found.colour) && keepsHue(from, own.colour) ? { losesHue: true } : {}),
            },
          ]
        : [];
    const likely = this.palette.filter((colour) => keepsHue(from, colour));
    const ofSite = nearestOf(from, likely, asked.passes) ?? nearestOf(from, this.palette, asked.passes);
    return [...draft('site-colour', ofSite, ', a colour of the site'), ...draft(kind, own, '')];
  }
}
