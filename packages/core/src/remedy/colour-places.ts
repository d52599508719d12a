import { parseColour } from '../colour/parse.js';
import { sameRgba, type Rgba } from '../colour/rgba.js';
import { nearestPassing, type Asked, type Nearest } from '../colour/nearest.js';
import type { Look } from '../look/model.js';
import { cellSetting } from '../sheet/cells.js';
import type { ComponentSession } from '../session/component-session.js';
import type { RemedyRequest } from './drafting.js';
import type { Slot } from '../what-if/rivals.js';
import { askedOf } from '../what-if/try-colours.js';

/** A value of a component that is one colour, and what is asked of it; columns that follow it are not named again. */
export interface ColourPlace {
  readonly slot: Slot;
  readonly asked: Asked;
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
        for (const follower of session.whatIf.followers(look, ref, sheet)) followed.add(follower.name);
        const cases = SIDES.includes(property) ? [] : session.whatIf.everywhere(look, ref, slot, request);
        places.push({ slot, asked: cases.length ? askedOf(cases, property) : NOTHING_ASKED });
      }
    }
  }
  return places;
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
