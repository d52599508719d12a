import type { Steps } from '../base/steps.js';
import { difference } from '../colour/difference.js';
import { parseColour } from '../colour/parse.js';
import { kindNamed } from '../component/kinds/index.js';
import { partNamed } from '../component/kind.js';
import { columnNamed } from '../component/states.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import { isChecked, isDisabled } from '../css/selector/form-state.js';
import type { Look } from '../look/model.js';
import { saidBesides } from '../look/said-besides.js';
import type { ComponentPlace } from '../parts/placed-component.js';
import type { RemedyRequest } from '../remedy/drafting.js';
import { settle, type Wanted, type WantedState } from '../remedy/settle.js';
import {
  comparingChecks,
  componentsOfSite,
  wearOther,
  type ComponentEffect,
  type LookShare,
  type SiteComponent,
} from './effect.js';
import { labelledControl } from '../tree/label.js';
import type { ElementNode } from '../tree/tree.js';
import type { SiteUnder, WearableSite } from './site.js';
import { componentKey, type WornLook } from './worn.js';

/** Elements of one component that show the same. */
export interface DriftUnit {
  readonly version: string;
  readonly place: ComponentPlace;
  readonly name: string;
  /** Orders of the elements on that page. */
  readonly elements: readonly number[];
}

/** A value that some show where most of those that look alike show another. */
export interface DriftedValue {
  readonly text: string;
  readonly units: readonly DriftUnit[];
}

/** One property in one state in which things that look alike differ. */
export interface DriftedCell {
  readonly property: string;
  readonly column: string;
  /** What most of them show, and how many elements do. */
  readonly wanted: string;
  readonly having: number;
  readonly others: readonly DriftedValue[];
}

/** Components of one kind that look alike, but for a few values. */
export interface Drift {
  readonly key: string;
  readonly kind: string;
  readonly part: string;
  /** How many elements look alike, and in how many components. */
  readonly elements: number;
  readonly components: number;
  readonly cells: readonly DriftedCell[];
}

/**
 * What is taken for an accident, as common practice has it: colours no farther apart than this (ΔEOK × 100), and lengths
 * that differ by no more than two CSS pixels and a quarter of the larger.
 */
const NEARLY = 6;
const NEAR_PIXELS = 2;
const NEAR_SHARE = 0.25;
const NEAR_WEIGHT = 100;

const SIDES = ['top', 'right', 'bottom', 'left'];
const CORNERS = ['top-left', 'top-right', 'bottom-right', 'bottom-left'];
const EDGES = SIDES.map((side) => `border-${side}-color`);
const COLOURS = ['color', 'background-color', ...EDGES];
const LENGTHS = [
  'font-size',
  ...CORNERS.map((corner) => `border-${corner}-radius`),
  ...SIDES.map((side) => `border-${side}-width`),
  ...SIDES.map((side) => `padding-${side}`),
];
const AT_REST = [...COLOURS, ...LENGTHS, 'font-weight'];
/** What tells a state, where those that are alike at rest do the same in it. */
const IN_STATES = [
  'color',
  'background-color',
  'background-image',
  ...EDGES,
  'text-decoration-line',
  'box-shadow',
  'opacity',
  'outline-style',
  'outline-width',
  'outline-color',
];
const STATES = ['hover', 'focus', 'pressed'];

/** Elements of a part that are the same everywhere, with what they show in each state. */
interface Unit extends DriftUnit {
  readonly kind: string;
  readonly part: string;
  readonly shown: ReadonlyMap<string, ReadonlyMap<string, string>>;
  /** What they are as the page comes: what is chosen or disabled looks otherwise than what is not. */
  readonly atRest: string;
}

/** The values that are drawn: an edge without a width has no colour. */
function valuesOf(style: ElementStyle, properties: readonly string[]): Map<string, string> {
  return new Map(
    properties.flatMap((property): [string, string][] => {
      const side = /^(border-\w+|outline)-color$/.exec(property)?.[1];
      const isDrawn =
        !side || (Number.parseFloat(style.text(`${side}-width`)) > 0 && style.text(`${side}-style`) !== 'none');
      return isDrawn ? [[property, style.text(property)]] : [];
    }),
  );
}

const CHOSEN = ['aria-current', 'aria-selected', 'aria-pressed', 'aria-checked', 'aria-disabled'];

/** What an element, or the control that it labels, is as the page comes. */
function stateOf(element: ElementNode): string {
  const control = labelledControl(element) ?? element;
  return [isChecked(control), isDisabled(control), ...CHOSEN.map((name) => control.attributes.get(name))].join();
}

/** How things are looked at, and where what is set for them holds. */
const viewOf = ({ viewports, at, place = {} }: RemedyRequest) => ({
  environment: viewports.find(({ name }) => name === at)!.environment,
  place,
});

function unitsOf(site: SiteUnder, { version, place, name }: SiteComponent, request: RemedyRequest): Unit[] {
  const { session, look } = site.on(version).wearing(place);
  const view = viewOf(request);
  const units: Unit[] = [];
  for (const { part, columns } of session.columnsOfParts(look, view)) {
    const { name: partName, holds } = part.part;
    if (holds) continue;
    const groups = session.groupsSeenUnder(look, partName, 'default', view);
    const states = STATES.filter((state) => columns.some((column) => column.name === state));
    const inStates = new Map(states.map((state) => [state, session.groupsSeenUnder(look, partName, state, view)]));
    for (const [i, { members, style }] of groups.entries()) {
      const shown = new Map([['default', valuesOf(style, [...new Set([...AT_REST, ...IN_STATES])])]]);
      for (const [state, own] of inStates) shown.set(state, valuesOf(own[i]!.style, IN_STATES));
      const elements = members.map(({ order }) => order);
      const atRest = stateOf(members[0]!);
      units.push({ version, place, name, elements, kind: place.kind, part: partName, shown, atRest });
    }
  }
  return units;
}

const distance = (a: string, b: string): number => {
  const [x, y] = [parseColour(a), parseColour(b)];
  if (!x || !y) return a === b ? 0 : Infinity;
  if (x.alpha === 0 && y.alpha === 0) return 0;
  return Math.abs(x.alpha - y.alpha) > 0.1 ? Infinity : difference({ ...x, alpha: 1 }, { ...y, alpha: 1 });
};

/** Whether two values differ by so little that it is no choice. */
function isNearly(property: string, a: string, b: string): boolean {
  if (COLOURS.includes(property)) return distance(a, b) <= NEARLY;
  const [x, y] = [Number.parseFloat(a), Number.parseFloat(b)];
  if (property === 'font-weight') return Math.abs(x - y) <= NEAR_WEIGHT;
  // Nothing, and something, is a choice.
  if (!(x > 0 && y > 0)) return x === y;
  return Math.abs(x - y) <= Math.min(NEAR_PIXELS, NEAR_SHARE * Math.max(x, y));
}

const valueOf = (unit: Unit, column: string, property: string): string | undefined =>
  unit.shown.get(column)?.get(property);

/** Whether two look alike at rest: as much in colours and size of text as makes them one thing to the eye. */
const looksAlike = (a: Unit, b: Unit): boolean =>
  a.atRest === b.atRest &&
  [...COLOURS, 'background-image', 'font-size'].every((property) => {
    const [x, y] = [valueOf(a, 'default', property), valueOf(b, 'default', property)];
    if (x === undefined || y === undefined) return x === y;
    return property === 'background-image' ? x === y : isNearly(property, x, y);
  });

/** Those that look alike, around the ones that there are most of. */
function clustersOf(units: readonly Unit[]): Unit[][] {
  const clusters: Unit[][] = [];
  for (const unit of [...units].sort((a, b) => b.elements.length - a.elements.length)) {
    const own = clusters.find(([first]) => looksAlike(first!, unit));
    if (own) own.push(unit);
    else clusters.push([unit]);
  }
  return clusters.filter((cluster) => cluster.length > 1);
}

const count = (units: readonly Unit[]): number => units.reduce((sum, { elements }) => sum + elements.length, 0);

/** The values of one cell, those of most elements first; of as many, what is not as it is at rest. */
function valuesIn(cluster: readonly Unit[], property: string, column: string): (readonly [string, readonly Unit[]])[] {
  const values = new Map<string, Unit[]>();
  for (const unit of cluster) {
    const value = valueOf(unit, column, property);
    if (value !== undefined) values.set(value, [...(values.get(value) ?? []), unit]);
  }
  const changes = (units: readonly Unit[], value: string) =>
    valueOf(units[0]!, 'default', property) === value ? 0 : 1;
  return [...values].sort(
    ([a, having], [b, others]) => count(others) - count(having) || changes(others, b) - changes(having, a),
  );
}

function cellsOf(cluster: readonly Unit[]): DriftedCell[] {
  const cells: DriftedCell[] = [];
  type Having = readonly [text: string, units: readonly Unit[]];
  const note = (property: string, column: string, isDrift: (most: Having, other: Having) => boolean): void => {
    const [most, ...rest] = valuesIn(cluster, property, column);
    if (!most) return;
    const others = rest.flatMap((other) =>
      isDrift(most, other) ? [{ text: other[0], units: other[1].map(asUnit) }] : [],
    );
    if (others.length) cells.push({ property, column, wanted: most[0], having: count(most[1]), others });
  };
  for (const property of AT_REST) note(property, 'default', ([wanted], [other]) => isNearly(property, wanted, other));
  for (const state of STATES) {
    for (const property of IN_STATES) {
      // Where neither does anything in the state, what differs is how they are at rest.
      const isStill = ([text, units]: Having) => units.every((unit) => valueOf(unit, 'default', property) === text);
      note(property, state, (most, other) => !(isStill(most) && isStill(other)));
    }
  }
  return cells;
}

const asUnit = ({ version, place, name, elements }: Unit): DriftUnit => ({ version, place, name, elements });

/**
 * Things of one kind that look alike and are not quite: values that differ by too little to be a choice, and states in
 * which what is the same at rest is not the same. Those that look different at rest are never compared.
 *
 * @param request the width that they are looked at in, and the place that what makes them alike is set for
 */
export function* findingDrift(site: SiteUnder, request: RemedyRequest): Steps<Drift[]> {
  const components = componentsOfSite(site, (page) => page.components());
  const units = new Map<string, Unit[]>();
  for (const [done, component] of components.entries()) {
    if (!kindNamed(component.place.kind)?.besidePage)
      for (const unit of unitsOf(site, component, request)) {
        const key = `${unit.kind} ${unit.part}`;
        units.set(key, [...(units.get(key) ?? []), unit]);
      }
    yield { done: done + 1, of: components.length };
  }
  return [...units].flatMap(([key, own]) =>
    clustersOf(own).flatMap((cluster, i): Drift[] => {
      const cells = cellsOf(cluster);
      const { kind, part } = cluster[0]!;
      const keys = new Set(cluster.map(({ place }) => componentKey(place)));
      return cells.length
        ? [{ key: `${key} ${i}`, kind, part, elements: count(cluster), components: keys.size, cells }]
        : [];
    }),
  );
}

export interface SettledDrift {
  /** What is set in components so that they are like the others. */
  readonly shares: readonly LookShare[];
  readonly effects: readonly ComponentEffect[];
}

/** Gives those that differ what most have, in the states in which they differ; what the others of a part show stays. */
export function* settlingDrift(
  site: WearableSite,
  drifts: readonly Drift[],
  request: RemedyRequest,
): Steps<SettledDrift> {
  const looks: WornLook[] = [...site.worn];
  const shares: LookShare[] = [];
  for (const { place, name, version, states } of statesOf(site, drifts, request)) {
    const { session, look: before } = site.on(version).wearing(place);
    const look = states.reduce<Look>((own, state) => settle(session, own, state), before);
    const besides = saidBesides(before, look);
    if (!besides.settings.length) continue;
    shares.push({ version, place, name, ...besides });
    wearOther(looks, { place, name }, look);
  }
  const effects = yield* comparingChecks(site, site.under(looks), request);
  return { shares, effects };
}

interface UnitStates extends Omit<DriftUnit, 'elements'> {
  readonly states: WantedState[];
}

/** What each component is to show, state by state, those at rest first. */
function statesOf(site: SiteUnder, drifts: readonly Drift[], request: RemedyRequest): UnitStates[] {
  const view = viewOf(request);
  const found = new Map<string, UnitStates>();
  for (const { kind, part, cells } of drifts) {
    const carrier = partNamed(kindNamed(kind)!, part)?.carrier ?? part;
    for (const { property, column, wanted, others } of cells) {
      for (const { version, place, name, elements } of others.flatMap(({ units }) => units)) {
        const key = componentKey(place);
        const own = found.get(key) ?? { version, place, name, states: [] };
        found.set(key, own);
        const { session, look } = site.on(version).wearing(place);
        const drifted = new Set(elements);
        const values = new Map<number, Wanted>();
        for (const { members, style } of session.groupsSeenUnder(look, part, column, view)) {
          const now = style.text(property);
          for (const { order } of members) {
            const text = drifted.has(order) ? wanted : now;
            values.set(order, { text, computed: text });
          }
        }
        const known = own.states.find((state) => state.part === part && state.column.name === column);
        const before = known?.cells.find((cell) => cell.property === property);
        if (before) {
          for (const order of elements)
            (before.wanted as Map<number, Wanted>).set(order, { text: wanted, computed: wanted });
          continue;
        }
        const cell = { property, wanted: values };
        if (known) own.states[own.states.indexOf(known)] = { ...known, cells: [...known.cells, cell] };
        else own.states.push({ part, carrier, column: columnNamed(column)!, view, cells: [cell] });
      }
    }
  }
  const rank = ({ column }: WantedState): number => column.atoms.length;
  return [...found.values()].map((own) => ({ ...own, states: [...own.states].sort((a, b) => rank(a) - rank(b)) }));
}
