import { parseColour } from '../colour/parse.js';
import { sameRgba, TRANSPARENT, type Rgba } from '../colour/rgba.js';
import type { StateColumn } from '../component/state-column.js';
import type { Row } from '../component/rows.js';
import { columnFor, setBits, shownBits } from '../component/states.js';
import type { Applied } from '../css/cascade/applied.js';
import { CSS_WIDE } from '../css/sheet/wide.js';
import { printShorthand } from '../css/shorthand/print.js';
import { CARRIED, type StateBits } from '../css/selector/states.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import { settingIndex, settingKey, statesOf, type Look, type Setting } from '../look/model.js';
import type { Decision, LookResolver } from '../look/resolve.js';
import type { Cell, MemberValue, SiteSource, WiderPlace } from './state-sheet.js';
import type { EditingPlace } from '../look/editing-place.js';

export interface CellInput {
  readonly look: Look;
  readonly row: Row;
  /** Name of the part, and of the part whose atoms its settings are under. */
  readonly part: string;
  readonly carrier: string;
  /** Properties that the look sets for the part in some state. */
  readonly set: ReadonlySet<string>;
  readonly column: StateColumn;
  /** Columns of the part. */
  readonly columns: readonly StateColumn[];
  readonly place: EditingPlace;
  readonly resolver: LookResolver;
  /** Without and with the look. */
  readonly siteStyle: (bits: StateBits) => ElementStyle;
  readonly style: (bits: StateBits) => ElementStyle;
  /** The part's elements in the column's state, those together that the page treats alike. */
  readonly others: readonly { readonly style: ElementStyle; readonly members: readonly number[] }[];
}

/** A value of several longhands as one text; undefined where there is none. */
export function rowText(row: Row, text: (property: string) => string): string | undefined {
  if (row.properties.length === 1) return text(row.properties[0]!);
  const first = text(row.properties[0]!);
  if (row.properties.every((property) => text(property) === first)) {
    const means = row.shorthand === 'border-radius' ? /\s/.test(first) : row.shorthand === 'background-position';
    // One term alone would mean something else there, unless it is a word for any property.
    return means && !CSS_WIDE.has(first) ? printShorthand(row.shorthand!, text) : first;
  }
  return (row.shorthand && printShorthand(row.shorthand, text)) || undefined;
}

/** Key of the setting that a cell is about. */
export const cellSetting = (
  part: string,
  carrier: string,
  property: string,
  column: StateColumn,
  place: EditingPlace,
): Omit<Setting, 'value'> => ({
  part,
  property,
  ...(place.exception === undefined ? {} : { exception: place.exception }),
  when: {
    states: statesOf(carrier, column.atoms),
    ...(place.page === undefined ? {} : { page: place.page }),
    ...(place.viewport === undefined ? {} : { viewport: place.viewport }),
    ...(place.scheme === undefined ? {} : { scheme: place.scheme }),
    ...(place.motion === undefined ? {} : { motion: place.motion }),
  },
});

/** An edge has a colour even where it has no width; saying so keeps it from being taken for what is seen. */
const isDrawn = (style: ElementStyle, property: string): boolean => {
  if (/^border-.+-color$/.test(property)) {
    return Number.parseFloat(style.text(property.replace(/-color$/, '-width'))) > 0;
  }
  if (property === 'outline-color') return style.text('outline-style') !== 'none';
  return true;
};

const EMPTY: Omit<Cell, 'column'> = {
  applies: false,
  computed: '',
  colour: undefined,
  mixed: false,
  drawn: true,
  own: undefined,
  muted: false,
  from: 'nothing',
  follows: undefined,
  followsPlace: undefined,
  differs: undefined,
  site: undefined,
};

/** The column whose value another column shows; undefined where it has one of its own. */
function followedBy(resolver: LookResolver, property: string, column: StateColumn): StateColumn | undefined {
  const shown = shownBits(column);
  const { set } = resolver.decide(property, shown);
  if (set === setBits(column) || (set !== 0 && set === shown)) return undefined;
  const followed = columnFor(set);
  // Focus by pointer and by keyboard share a column.
  return followed.name === column.name ? undefined : followed;
}

/** Values by the elements that have them; undefined where all have the same. */
function differing(row: Row, groups: CellInput['others']): Cell['differs'] {
  if (groups.length < 2) return undefined;
  const found = new Map<string, { colour: Rgba | undefined; members: number[] }>();
  for (const { style, members } of groups) {
    const value =
      rowText(row, (property) => style.text(property)) ?? row.properties.map((name) => style.text(name)).join(' ');
    const known = found.get(value);
    if (known) known.members.push(...members);
    else {
      const colour = row.editor === 'colour' ? style.colour(row.properties[0]!) : parseColour(value);
      found.set(value, { colour, members: [...members] });
    }
  }
  if (found.size < 2) return undefined;
  return [...found]
    .map(([value, { colour, members }]): MemberValue => ({ value, colour, members: members.sort((a, b) => a - b) }))
    .sort((a, b) => b.members.length - a.members.length || a.members[0]! - b.members[0]!);
}

export function cellOf(input: CellInput): Cell {
  const { look, row, part, carrier, column, columns, place, resolver } = input;
  const shown = shownBits(column);
  const { subject } = resolver;
  if (row.atRest && column.atoms.length) return { ...EMPTY, column: column.name };
  if (!columns.some((own) => own.name === column.name) || (shown & CARRIED & ~subject.states.possible) !== 0) {
    return { ...EMPTY, column: column.name };
  }
  const style = input.style(shown);
  const siteStyle = input.siteStyle(shown);
  const first = row.properties[0]!;
  const decision = resolver.decide(first, shown);
  const computed = rowText(row, (property) => style.text(property));
  const colours = row.editor === 'colour' ? row.properties.map((property) => style.colour(property)) : [];
  const winner = siteStyle.winner(first);
  const running = siteStyle.running(first).filter((applied) => applied.origin === 'author').length;
  const settings = row.properties.map((property) => {
    if (!input.set.has(property)) return undefined;
    return settingIndex(look).get(settingKey(cellSetting(part, carrier, property, column, place)));
  });
  const isSet = settings.every((setting) => setting !== undefined);
  const own = isSet ? rowText(row, (property) => settings[row.properties.indexOf(property)]!.value) : undefined;
  const muted = isSet && settings.some((setting) => look.muted.includes(settingKey(setting!)));
  return {
    column: column.name,
    applies: true,
    computed: computed || (row.usual ?? ''),
    colour: colours[0] ?? (row.editor === 'colour' ? TRANSPARENT : parseColour(computed ?? '')),
    mixed: computed === undefined || colours.some((colour) => !sameRgba(colour, colours[0]!)),
    drawn: row.properties.some((property) => isDrawn(style, property)),
    own: isSet ? (own ?? settings.map((setting) => setting!.value).join(' ')) : undefined,
    muted,
    from: decision.from,
    follows: followedBy(resolver, first, column)?.name,
    followsPlace: isSet && !muted ? undefined : widerPlace(decision, place),
    differs: differing(row, input.others),
    site: winner?.origin === 'author' ? sourceOf(winner, running - 1) : undefined,
  };
}

/** Which of the conditions in hand the deciding setting does not have. */
function widerPlace({ setting }: Decision, place: EditingPlace): WiderPlace | undefined {
  if (!setting) return undefined;
  if (place.exception !== undefined && setting.exception === undefined) return 'all-members';
  if (place.page !== undefined && setting.when.page === undefined) return 'every-page';
  if (place.viewport !== setting.when.viewport && place.viewport !== undefined) return 'wider';
  if (place.scheme !== undefined && setting.when.scheme === undefined) return 'light';
  if (place.motion !== undefined && setting.when.motion === undefined) return 'full-motion';
  return undefined;
}

export function sourceOf(applied: Applied, beats: number): SiteSource {
  const { place, important, value } = applied.declaration;
  return {
    selector: applied.selector?.text ?? 'style attribute',
    sheet: place.sheet,
    line: place.line,
    column: place.column,
    important,
    inline: applied.inline,
    value,
    beats: Math.max(0, beats),
  };
}
