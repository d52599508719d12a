import { checkWay, wayBetween } from '../check/way-between.js';
import { colourBehind } from '../check/edge.js';
import { around as aroundOf } from '../check/focus.js';
import { hiddenBy } from '../check/hidden.js';
import { worstOf } from '../check/text.js';
import { contrastRatio } from '../colour/contrast.js';
import { parseColour } from '../colour/parse.js';
import { toHex } from '../colour/print.js';
import { BLACK, WHITE, type Rgba } from '../colour/rgba.js';
import { partNamed, type StateColumn } from '../component/kind.js';
import { columnNamed } from '../component/states.js';
import { changeLook, settingKey, type Look, type Setting } from '../look/model.js';
import { leastAlpha, nearestOf, nearestPassing, shortAgainst, type Asked, type Nearest } from '../remedy/nearest.js';
import type { Alteration, Remedy, RemedyKind } from '../remedy/remedy.js';
import { cellSetting } from './cells.js';
import type { ComponentSession } from './component-session.js';
import { checkKey, isShort } from './due.js';
import type { Slot } from './rivals.js';
import type { LedgerCheck, LedgerRequest } from './state-sheet.js';
import { askedOf } from './try-colours.js';

/** Which check a way out is wanted of. */
export interface CheckRef {
  readonly part: string;
  readonly column: string;
  readonly demand: string;
}

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
] as const;

/** Of a focus ring, in CSS pixels: how thick it is, and how far off. */
const RING = 2;
const RING_GAP = 2;

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

/** Finds ways out of checks that fall short, for one component under one look. */
export class Remedies {
  private readonly palette: readonly Rgba[];

  constructor(
    private readonly session: ComponentSession,
    private readonly look: Look,
    private readonly request: RemedyRequest,
    private readonly memory = new RemedyMemory(session, look, request),
  ) {
    this.palette = session.page.colours.map(({ hex }) => parseColour(hex)!);
  }

  private get environment() {
    const { viewports, at } = this.request;
    return (viewports.find(({ name }) => name === at) ?? viewports[0]!).environment;
  }

  private get sheetRequest() {
    const { place, added } = this.request;
    return { environment: this.environment, ...(place ? { place } : {}), ...(added ? { added } : {}) };
  }

  /** Where a value counts at the viewport in hand. */
  private slotOf(part: string, column: StateColumn, property: string): Slot {
    const { place = {} } = this.request;
    const carrier = partNamed(this.session.kind, part)?.carrier ?? part;
    const slot = cellSetting(part, carrier, property, column, place);
    return this.session.trials.slotIn(this.look, slot, this.environment, place);
  }

  private settingOf(part: string, column: StateColumn, property: string, value: string): Setting {
    return { ...this.slotOf(part, column, property), value };
  }

  /** What all that a colour has a say in asks of it, wherever it counts; undefined where it has a say in nothing. */
  private askedOf(
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
      const cases = this.session.trials.everywhere(this.look, ref, slot, this.request, check.withoutPictures);
      asked = cases.length ? askedOf(cases, property) : null;
      this.memory.asked.set(key, asked);
    }
    return asked ?? undefined;
  }

  /** Ranked ways out of one check; the first does the least harm and changes the least. */
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
    return this.allDrafts(check).sort((a, b) => weigh(a) - weigh(b));
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
    // What takes no time any more has no way between to be judged.
    const gone = !own.length && ref.demand.endsWith('-transition') ? this.checkIn(before, ref) : undefined;
    const judged = gone
      ? { ...gone, verdict: 'passes' as const, measured: undefined }
      : (worstOf(own) as LedgerCheck | undefined);
    if (!judged || judged.verdict === 'short' || judged.verdict === 'unsure') return undefined;
    const old = new Map(before.map((item) => [checkKey(item), item]));
    const isOther = (item: LedgerCheck) => !own.includes(item);
    return {
      ...draft,
      after: judged,
      alters: this.altered(next),
      breaks: after.filter((item) => isOther(item) && isShort(item) && !wasShort(old, item)),
      mends: after.filter(
        (item) => isOther(item) && item.verdict === 'passes' && old.get(checkKey(item))?.verdict === 'short',
      ),
    };
  }

  /** Every value that is otherwise under another look. */
  private altered(next: Look): Alteration[] {
    const request = this.sheetRequest;
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

  private allDrafts(check: LedgerCheck): Draft[] {
    const column = columnNamed(check.column)!;
    switch (check.criterion) {
      case '1.4.3':
      case '1.4.6':
        return [
          ...this.textDrafts(check, column),
          ...this.groundDrafts(check, column),
          ...this.sizeDrafts(check, column),
        ];
      case '1.4.11':
        return this.edgeDrafts(check, column);
      case '2.4.7':
      case '2.4.13':
        return this.ringDrafts(check, column);
      case '1.4.1':
        return [
          {
            kind: 'underline',
            words: 'Underline the link',
            settings: [this.settingOf(check.part, column, 'text-decoration-line', 'underline')],
            distance: 0,
          },
        ];
      case 'transition':
        return this.timingDrafts(check, column);
      default:
        return [];
    }
  }

  /** The part's own text colour, and whether all it is used for passes with another. */
  private textDrafts(check: LedgerCheck, column: StateColumn): Draft[] {
    const asked = this.askedOf(check, check.part, column, 'color');
    if (!asked) return [];
    const { style } = this.session.seenUnder(this.look, check.part, check.column, this.sheetRequest);
    return this.valueDrafts('text', style.colour('color'), check.part, column, 'color', 'text', (alone) =>
      alone ? this.askedOf(check, check.part, column, 'color', true) : asked,
    );
  }

  /**
   * Another colour for a value of a part. Where none suits every state that would show it, one for its own state while
   * the others keep theirs.
   */
  private valueDrafts(
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
  private keptValues(part: string, column: StateColumn, property: string): Setting[] {
    const { trials } = this.session;
    const slot = this.slotOf(part, column, property);
    const byColumn = new Map<string, Map<string, Setting>>();
    for (const { environment } of trials.viewportsOf(this.look, slot, this.request)) {
      const sheet = { ...this.sheetRequest, environment };
      for (const other of trials.followers(this.look, { part, property, column: column.name }, sheet)) {
        if (other.name === column.name) continue;
        const value = toHex(this.session.seenUnder(this.look, part, other.name, sheet).style.colour(property));
        const values = byColumn.get(other.name) ?? new Map<string, Setting>();
        byColumn.set(other.name, values.set(value, this.settingOf(part, other, property, value)));
        if (values.size > 1) return [];
      }
    }
    return [...byColumn.values()].flatMap((values) => [...values.values()]);
  }

  private labelOf(part: string): string {
    return partNamed(this.session.kind, part)?.label ?? part;
  }

  /** The nearest of the site's own colours, and the nearest of all. */
  private colourDrafts(
    kind: 'text' | 'ground' | 'edge',
    from: Rgba,
    asked: Asked,
    settings: (css: string) => Setting[],
    what: string,
  ): Draft[] {
    const draft = (own: RemedyKind, found: Nearest | undefined, more: string): Draft[] =>
      found
        ? [
            {
              kind: own,
              words: `${what} ${toHex(from)} → ${found.css}${more}`,
              settings: settings(found.css),
              distance: found.distance,
            },
          ]
        : [];
    return [
      ...draft('site-colour', nearestOf(from, this.palette, asked.passes), ', a colour of the site'),
      ...draft(kind, nearestPassing(from, asked), ''),
    ];
  }

  private groundDrafts(check: LedgerCheck, column: StateColumn): Draft[] {
    const part = this.session.groundPart(this.look, check.part, check.column, this.sheetRequest);
    // A pseudo-element's text stands on its element's ground.
    const standing = partNamed(this.session.kind, check.part);
    const scrimmed = standing?.pseudo === undefined ? check.part : (standing.carrier ?? check.part);
    if (part === undefined) return this.scrimDrafts(check, column, scrimmed);
    const own = partNamed(this.session.kind, part);
    // A ground around the part is changed in the state that it is in itself, which is at rest.
    const state = part === check.part || own?.states.includes(column.name as never) ? column : columnNamed('default')!;
    const asked = this.askedOf(check, part, state, 'background-color');
    if (!asked) return [];
    const { style } = this.session.seenUnder(this.look, part, state.name, this.sheetRequest);
    const from = style.colour('background-color');
    const settings = (css: string) => [this.settingOf(part, state, 'background-color', css)];
    const what = `${this.labelOf(part)} background`;
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
      return [...drafts, ...this.scrimDrafts(check, column, scrimmed)];
    if (from.alpha > 0) {
      drafts.push(
        ...this.valueDrafts('ground', from, part, state, 'background-color', 'background', (alone) =>
          alone ? this.askedOf(check, part, state, 'background-color', true) : asked,
        ),
      );
    }
    return drafts;
  }

  /** A veil right behind the text, of black or white, no denser than it takes. */
  private scrimDrafts(check: LedgerCheck, column: StateColumn, part: string): Draft[] {
    const asked = this.askedOf(check, part, column, 'background-color');
    if (!asked) return [];
    const { passes } = asked;
    return [BLACK, WHITE].flatMap((colour): Draft[] => {
      const alpha = leastAlpha(colour, 0, passes);
      if (alpha === undefined || alpha >= 1) return [];
      return [
        {
          kind: 'scrim',
          words: `${colour === BLACK ? 'Dark' : 'Light'} scrim of ${Math.round(alpha * 100)} % behind the ${this.labelOf(check.part).toLowerCase()}`,
          settings: [this.settingOf(part, column, 'background-color', toHex({ ...colour, alpha }))],
          distance: alpha * 30,
        },
      ];
    });
  }

  /** Bolder or larger, where that makes the text large by WCAG's rule and so halves what is asked. */
  private sizeDrafts(check: LedgerCheck, column: StateColumn): Draft[] {
    if (check.large || check.measured === undefined || check.measured < 3) return [];
    const { style } = this.session.seenUnder(this.look, check.part, check.column, this.sheetRequest);
    const size = style.fontSize;
    const drafts: Draft[] = [];
    if (size >= 14 * (4 / 3) - 1e-6 && style.fontWeight < 700) {
      drafts.push({
        kind: 'weight',
        words: `Bold text: at ${Math.round(size)} px it then counts as large`,
        settings: [this.settingOf(check.part, column, 'font-weight', '700')],
        distance: 8,
      });
    }
    if (size >= 20 && size < 24) {
      drafts.push({
        kind: 'size',
        words: `Text ${Math.round(size)} → 24 px: it then counts as large`,
        settings: [this.settingOf(check.part, column, 'font-size', '24px')],
        distance: 10,
      });
    }
    return drafts;
  }

  /** What every icon that would show a colour asks of it. */
  private askedByIcons(check: LedgerCheck, column: StateColumn, property: string, alone: boolean): Asked | undefined {
    const ref = { part: check.part, property, column: column.name, alone };
    const cases = this.session.trials.icons(this.look, ref, this.slotOf(check.part, column, property), this.request);
    // Where none can be tried the grounds are those that they are seen on now.
    return cases.length ? askedOf(cases, 'color') : alone ? undefined : this.askedAround(check, column, property);
  }

  /** What all columns that would show the colour of an edge ask of it, against what each is seen on now. */
  private askedAround(check: LedgerCheck, column: StateColumn, property: string): Asked {
    const { trials } = this.session;
    const showing = new Set(
      trials
        .showing(this.look, this.slotOf(check.part, column, property), this.request)
        .map(({ part, column: name, viewport }) => `${part} ${name} ${viewport}`),
    );
    const grounds = this.memory.checks.flatMap(({ part, column: name, viewport, demand, background, needed }) =>
      demand === check.demand && background && showing.has(`${part} ${name} ${viewport}`)
        ? [{ background, needed }]
        : [],
    );
    return {
      passes: (colour) => grounds.every(({ background, needed }) => contrastRatio(colour, background) >= needed),
      short: grounds.map(({ background, needed }) => shortAgainst(background, needed)),
    };
  }

  private edgeDrafts(check: LedgerCheck, column: StateColumn): Draft[] {
    if (check.demand.endsWith('focus-ring')) return this.ringDrafts(check, column);
    const { background } = check;
    if (!background) return [];
    const { style, element } = this.session.seenUnder(this.look, check.part, check.column, this.sheetRequest);
    const what = this.labelOf(check.part);
    const widths = ['top', 'right', 'bottom', 'left'].filter(
      (side) => Number.parseFloat(style.text(`border-${side}-width`)) > 0,
    );
    const isIcon = this.session.kind.demands.some(({ name, of }) => name === check.demand && of === 'icon');
    if (isIcon) {
      const property = element.namespace === 'svg' && style.text('fill') !== 'currentcolor' ? 'fill' : 'color';
      const from = check.foreground ?? style.colour('color');
      return this.valueDrafts('edge', from, check.part, column, property, 'icon', (alone) =>
        this.askedByIcons(check, column, property, alone),
      );
    }
    if (widths.length) {
      const from = style.colour(`border-${widths[0]!}-color`);
      return this.colourDrafts(
        'edge',
        from,
        this.askedAround(check, column, `border-${widths[0]!}-color`),
        (css) => widths.map((side) => this.settingOf(check.part, column, `border-${side}-color`, css)),
        `${what} border`,
      );
    }
    const ground = style.colour('background-color');
    return this.colourDrafts(
      'ground',
      ground.alpha > 0 ? ground : background,
      this.askedAround(check, column, 'background-color'),
      (css) => [this.settingOf(check.part, column, 'background-color', css)],
      `${what} background`,
    );
  }

  /** An outline that stands out from the page and from the control. */
  private ringDrafts(check: LedgerCheck, column: StateColumn): Draft[] {
    // Two pixels off the control, what is around it is all that the ring stands on: of every element, at every width.
    const { place, added } = this.request;
    const all = this.request.viewports.flatMap(({ environment }) =>
      this.session.allSeenUnder(this.look, check.part, check.column, {
        environment,
        ...(place ? { place } : {}),
        ...(added ? { added } : {}),
      }),
    );
    const { style } = this.session.seenUnder(this.look, check.part, check.column, this.sheetRequest);
    const grounds = distinctColours(
      all
        .filter(({ view, element }) => hiddenBy(view, element) === undefined)
        .flatMap(({ looking, element }) => {
          const found = aroundOf(looking, element, RING_GAP + RING + 1);
          const behind = typeof found === 'string' ? colourBehind(looking, element.parent) : found;
          return typeof behind === 'string' ? [] : Array.isArray(behind) ? (behind as Rgba[]) : [behind as Rgba];
        }),
    );
    if (!grounds.length) return [];
    const passes = (colour: Rgba) => grounds.every((ground) => contrastRatio(colour, ground) >= 3);
    const from = style.colour('color');
    const set = (property: string, value: string) => this.settingOf(check.part, column, property, value);
    const outline = (css: string, gap: number): Setting[] => [
      set('outline-style', 'solid'),
      set('outline-width', `${RING}px`),
      set('outline-color', css),
      set('outline-offset', `${gap}px`),
    ];
    const around = this.labelOf(check.part).toLowerCase();
    const single = nearestOf(from, [...this.palette, from, BLACK, WHITE], passes) ?? nearestPassing(from, passes);
    const drafts: Draft[] = single
      ? [
          {
            kind: 'ring',
            words: `Ring of ${RING} px in ${single.css} around the ${around}`,
            settings: outline(single.css, RING_GAP),
            distance: 0,
          },
        ]
      : [];
    // Over grounds that no one colour stands out from, one of two always does (technique C40).
    drafts.push({
      kind: 'ring',
      words: `Double ring of white and black around the ${around}, seen on any ground`,
      settings: [...outline('#ffffff', 0), set('box-shadow', `0 0 0 ${2 * RING}px #000000`)],
      distance: 6,
    });
    return drafts;
  }

  /** Text and ground that change at one time, or at once. */
  private timingDrafts(check: LedgerCheck, column: StateColumn): Draft[] {
    const rest = this.session.seenUnder(this.look, check.part, 'default', this.sheetRequest);
    const state = this.session.seenUnder(this.look, check.part, check.column, this.sheetRequest);
    const behind = () => {
      const found = colourBehind(state.looking, state.element.parent);
      return typeof found === 'string' ? WHITE : found;
    };
    const way = wayBetween(rest.style, state.style, behind, check.needed);
    if (!way || checkWay(rest.style, state.style, behind, check.needed)?.verdict !== 'short') return [];
    const set = (property: string, value: string) => this.settingOf(check.part, column, property, value);
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
}

const distinctColours = (colours: readonly Rgba[]): Rgba[] => [
  ...new Map(colours.map((colour) => [toHex(colour), colour])).values(),
];

const wasShort = (old: ReadonlyMap<string, LedgerCheck>, item: LedgerCheck): boolean => {
  const was = old.get(checkKey(item));
  return was !== undefined && isShort(was);
};

/** A colour that the site has already is worth some difference. */
const weigh = ({ kind, distance }: Draft): number => (kind === 'site-colour' ? distance * 0.6 : distance);
