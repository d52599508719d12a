import { parseColour } from '../colour/parse.js';
import { sameRgba, type Rgba } from '../colour/rgba.js';
import { nearestPassing, type Asked, type Nearest } from '../colour/nearest.js';
import type { StateColumn } from '../component/state-column.js';
import type { Look, Setting } from '../look/model.js';
import { cellSetting } from '../sheet/cells.js';
import type { ComponentSession } from '../session/component-session.js';
import type { RemedyRequest } from './drafting.js';
import type { Slot } from '../what-if/rivals.js';
import { askedOf } from '../what-if/try-colours.js';

/** A value of a component that is one colour, and what is asked of it; columns that follow it are not named again. */
export interface ColourPlace {
  readonly slot: Slot;
  readonly asked: Asked;
  /** The same place with each state that follows it by itself. */
  readonly apart: () => readonly ColourPlace[];
}

const SIDES = ['top', 'right', 'bottom', 'left'].map((side) => `border-${side}-color`);
const PROPERTIES = ['color', 'background-color', ...SIDES];
/** What a border is beside is looked at when all is done. */
const NOTHING_ASKED: Asked = { passes: () => true, short: [] };

/** Everywhere that a component has a colour, as text, ground or drawn border. */
export function placesOf(session: ComponentSession, look: Look, colour: Rgba, request: RemedyRequest): ColourPlace[] {
  const { viewports, at, place = {} } = request;
  const { environment } = viewports.find(({ name }) => name === at) ?? viewports[0]!;
  const sheet = { environment, place };
  const places: ColourPlace[] = [];
  for (const { part, columns } of session.columnsOfParts(look, sheet)) {
    const { name, carrier = name } = part.part;
    const following = new Map(PROPERTIES.map((property) => [property, new Set<string>()]));
    for (const column of columns) {
      const values = session.valuesIn(look, name, column, sheet, [...PROPERTIES, ...SIDES.map(widthOf)]);
      for (const property of PROPERTIES) {
        const own = parseColour(values.get(property) ?? '');
        const isDrawn = !SIDES.includes(property) || Number.parseFloat(values.get(widthOf(property))!) > 0;
        const followed = following.get(property)!;
        if (!own || !isDrawn || !sameRgba(own, colour) || followed.has(column.name)) continue;
        const slot = session.whatIf.slotIn(
          look,
          cellSetting(name, carrier, property, column, place),
          environment,
          place,
        );
        const ref = { part: name, property, column: column.name };
        const followers = session.whatIf.followers(look, ref, sheet);
        for (const follower of followers) followed.add(follower.name);
        const askedIn = (state: StateColumn, of: Slot, alone: boolean): Asked => {
          const own = { ...ref, column: state.name, alone };
          const cases = SIDES.includes(property) ? [] : session.whatIf.everywhere(look, own, of, request);
          return cases.length ? askedOf(cases, property) : NOTHING_ASKED;
        };
        const apart = onDemand(() =>
          [column, ...followers.filter((follower) => follower.name !== column.name)].map((state): ColourPlace => {
            const cell = cellSetting(name, carrier, property, state, place);
            const of = state === column ? slot : session.whatIf.slotIn(look, cell, environment, place);
            const own: ColourPlace = { slot: of, asked: askedIn(state, of, true), apart: () => [own] };
            return own;
          }),
        );
        places.push({ slot, asked: askedIn(column, slot, false), apart });
      }
    }
  }
  return places;
}

/** What is made when it is first asked for, and then stays. */
function onDemand<T>(make: () => T): () => T {
  let made: { readonly value: T } | undefined;
  return () => (made ??= { value: make() }).value;
}

const widthOf = (property: string): string => property.replace(/color$/, 'width');

/** The colour nearest to one that passes in every place; undefined where there is none. */
export function replacementFor(from: Rgba, places: readonly ColourPlace[]): Nearest | undefined {
  if (!places.length) return undefined;
  return nearestPassing(from, {
    passes: (colour) => places.every(({ asked }) => asked.passes(colour)),
    short: places.flatMap(({ asked }) => asked.short),
  });
}

/** A colour that takes another's place in some of the places that have it. */
export interface Replacement extends Nearest {
  readonly places: readonly ColourPlace[];
}

/** The values that some places get from replacements; states that get what they would follow are not named. */
export function settingsOf(places: readonly ColourPlace[], replacements: readonly Replacement[]): Setting[] {
  const values = new Map<ColourPlace, string>();
  for (const { css, places: own } of replacements) for (const place of own) values.set(place, css);
  const settings = (own: readonly ColourPlace[]) =>
    own.flatMap((place): Setting[] => {
      const value = values.get(place);
      return value === undefined ? [] : [{ ...place.slot, value }];
    });
  return places.flatMap((place) => {
    if (values.has(place)) return settings([place]);
    const apart = settings(place.apart());
    const isOne = apart.length === place.apart().length && apart.every(({ value }) => value === apart[0]!.value);
    return isOne ? apart.slice(0, 1) : apart;
  });
}

/** Sets of colours that are tried before the next best is taken one after the other. */
const MOST_SETS = 4000;

/**
 * The fewest colours that pass, between them, in every place where any colour does: one where one is enough. Places in
 * which states ask for what no one colour has are taken state by state.
 *
 * @returns the colours with their places, and the places in which no colour passes
 */
export function replacementsFor(
  from: Rgba,
  places: readonly ColourPlace[],
): { readonly replacements: readonly Replacement[]; readonly left: readonly ColourPlace[] } {
  const one = replacementFor(from, places);
  if (one) return { replacements: [{ ...one, places }], left: [] };
  const nearestIn = (place: ColourPlace) => ({ place, found: replacementFor(from, [place]) });
  const units = places.map(nearestIn).flatMap((unit) => (unit.found ? [unit] : unit.place.apart().map(nearestIn)));
  const left = units.flatMap(({ place, found }) => (found ? [] : [place]));
  const open = units.flatMap(({ place, found }) => (found ? [place] : []));
  const byCss = new Map(units.flatMap(({ found }) => (found ? [[found.css, found] as const] : [])));
  const candidates = [...byCss.values()].map((found) => ({
    found,
    covers: new Set(open.filter(({ asked }) => asked.passes(found.colour))),
  }));
  const chosen = fewest(open, candidates);
  const taken = new Set<ColourPlace>();
  const replacements = chosen.flatMap(({ covers }): Replacement[] => {
    const own = open.filter((place) => covers.has(place) && !taken.has(place));
    for (const place of own) taken.add(place);
    const best = replacementFor(from, own);
    return best ? [{ ...best, places: own }] : [];
  });
  return { replacements, left };
}

interface Candidate {
  readonly found: Nearest;
  readonly covers: ReadonlySet<ColourPlace>;
}

/** The smallest set of candidates that covers all places, the nearest colours of those; one by one where there are too many. */
function fewest(open: readonly ColourPlace[], candidates: readonly Candidate[]): readonly Candidate[] {
  for (let size = 1, sets = candidates.length; size <= candidates.length && sets <= MOST_SETS; size++) {
    let best: { readonly set: readonly Candidate[]; readonly distance: number } | undefined;
    for (const set of combinations(candidates, size)) {
      if (!open.every((place) => set.some(({ covers }) => covers.has(place)))) continue;
      const distance = set.reduce((sum, { found }) => sum + found.distance, 0);
      if (!best || distance < best.distance) best = { set, distance };
    }
    if (best) return best.set;
    sets *= (candidates.length - size) / (size + 1);
  }
  const chosen: Candidate[] = [];
  const missing = new Set(open);
  while (missing.size) {
    const reach = ({ covers }: Candidate) => [...missing].filter((place) => covers.has(place)).length;
    const next = candidates.reduce((best, one) => (reach(one) > reach(best) ? one : best));
    chosen.push(next);
    for (const place of next.covers) missing.delete(place);
  }
  return chosen;
}

function* combinations<T>(items: readonly T[], size: number, start = 0): Generator<readonly T[]> {
  if (!size) return yield [];
  for (let i = start; i <= items.length - size; i++)
    for (const rest of combinations(items, size - 1, i + 1)) yield [items[i]!, ...rest];
}
