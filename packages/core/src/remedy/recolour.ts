import { setBits } from '../component/states.js';
import type { StateColumn } from '../component/state-column.js';
import type { Atom } from '../css/selector/states.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import type { Look } from '../look/model.js';
import type { ComponentSession } from '../session/component-session.js';
import { settle, type View, type Wanted, type WantedCell, type WantedState } from './settle.js';

const SIDES = ['top', 'right', 'bottom', 'left'];

/** Whether what a property colours is there at all. */
const wide = (width: string) => (style: ElementStyle) => Number.parseFloat(style.text(width)) > 0;
const says = (property: string) => (style: ElementStyle) => style.text(property) !== 'none';
const always = () => true;

/** Properties whose values hold colours, and when these are drawn. */
const COLOURED: ReadonlyMap<string, (style: ElementStyle) => boolean> = new Map([
  ['color', always],
  ['background-color', always],
  ['background-image', always],
  ...SIDES.map((side) => [`border-${side}-color`, wide(`border-${side}-width`)] as const),
  ['outline-color', says('outline-style')],
  ['text-decoration-color', says('text-decoration-line')],
  ['column-rule-color', wide('column-rule-width')],
  ['box-shadow', always],
  ['text-shadow', always],
  ['caret-color', always],
  ['accent-color', always],
  ['fill', always],
  ['stroke', always],
]);

/** Those of them that a part takes over from what holds it. */
const INHERITED: ReadonlySet<string> = new Set([
  'color',
  'text-shadow',
  'caret-color',
  'accent-color',
  'fill',
  'stroke',
]);

/** What stands in place of a value that holds colours; undefined where it stays as it is. */
export type ColourChange = (style: ElementStyle, property: string) => string | undefined;

/** Where a component has a colour that is replaced. */
export interface SwapPlace {
  readonly part: string;
  readonly property: string;
  /** The states in which it has it, by their columns. */
  readonly columns: readonly string[];
}

export const swapPlaceKey = ({ part, property }: Pick<SwapPlace, 'part' | 'property'>): string => `${part} ${property}`;

/** A look before a colour is replaced, and as it is so far. */
export interface Swapping {
  readonly before: Look;
  readonly look: Look;
}

/** A look in which a colour has taken another's place. */
export interface Swapped {
  readonly look: Look;
  readonly places: readonly SwapPlace[];
}

/**
 * Puts other colours in place of those that a component has: in every part, property, state and width, for those members of
 * a part that have them. What the change leaves keeps its value, in every view.
 *
 * @param change what it puts in is an absolute colour, or a value with such
 * @param views the widest first, in the light scheme: what is set there holds in the others unless they have values of their own
 * @param only places that are wanted, by their keys; all when absent
 */
export function recolour(
  session: ComponentSession,
  { before, look }: Swapping,
  change: ColourChange,
  views: readonly View[],
  only?: ReadonlySet<string>,
): Swapped {
  const states = statesBefore(session, before, change, views, only);
  const having = states.flatMap(({ part, column, cells }) =>
    cells.flatMap(({ property, hasIt }) =>
      hasIt ? [{ key: swapPlaceKey({ part, property }), part, property, column }] : [],
    ),
  );
  const places = new Map<string, SwapPlace & { columns: string[] }>();
  for (const { key, part, property, column } of having) {
    const known = places.get(key);
    if (!known) places.set(key, { part, property, columns: [column.name] });
    else if (!known.columns.includes(column.name)) known.columns.push(column.name);
  }
  let next = look;
  for (const state of places.size ? states : []) {
    // What is taken over from a part that changes has to be said where it stays.
    const cells = state.cells.filter(
      ({ property }) => INHERITED.has(property) || places.has(swapPlaceKey({ part: state.part, property })),
    );
    next = settle(session, next, { ...state, cells });
  }
  return { look: next, places: [...places.values()] };
}

/** A property of a part in a state and view, with what its elements are to show. */
interface RecolouredCell extends WantedCell {
  readonly hasIt: boolean;
}

interface RecolouredState extends WantedState {
  readonly cells: readonly RecolouredCell[];
}

const POINTED: ReadonlySet<Atom> = new Set<Atom>(['hover', 'active', 'focus', 'focus-visible']);

/** All that may hold a colour, part by part, the states that others follow first. */
function statesBefore(
  session: ComponentSession,
  look: Look,
  change: ColourChange,
  views: readonly View[],
  only: ReadonlySet<string> | undefined,
): RecolouredState[] {
  const states = new Map<string, RecolouredState[]>();
  // A state that one width knows has a column in all, once something is set in it.
  const columns = new Map<string, Map<string, StateColumn>>();
  for (const view of views)
    for (const { part, columns: own } of session.columnsOfParts(look, view)) {
      const known = columns.get(part.part.name) ?? new Map<string, StateColumn>();
      for (const column of own) known.set(column.name, column);
      columns.set(part.part.name, known);
    }
  // Under a pointer all of a component may take over what stands around it: a part that no rule speaks of then, too.
  const pointed = [...columns.values()]
    .flatMap((own) => [...own.values()])
    .filter(({ atoms }) => atoms.length && atoms.every((atom) => POINTED.has(atom)));
  for (const own of columns.values()) for (const column of pointed) own.set(column.name, column);
  for (const view of views) {
    for (const { part } of session.columnsOfParts(look, view)) {
      const { name, carrier = name } = part.part;
      for (const column of [...columns.get(name)!.values()].sort((a, b) => setBits(a) - setBits(b))) {
        const groups = session.groupsSeenUnder(look, name, column.name, view);
        const cells = [...COLOURED].flatMap(([property, isDrawn]): RecolouredCell[] => {
          if (only && !only.has(swapPlaceKey({ part: name, property }))) return [];
          const wanted = new Map<number, Wanted>();
          let hasIt = false;
          for (const { members, style } of groups) {
            const value = wantedOf(style, property, isDrawn, change);
            if (!value) continue;
            hasIt ||= value.isChanged;
            for (const { order } of members) wanted.set(order, value);
          }
          return [{ property, wanted, hasIt }];
        });
        states.set(name, [...(states.get(name) ?? []), { part: name, carrier, column, view, cells }]);
      }
    }
  }
  return [...states.values()].flat();
}

function wantedOf(
  style: ElementStyle,
  property: string,
  isDrawn: (style: ElementStyle) => boolean,
  change: ColourChange,
): (Wanted & { readonly isChanged: boolean }) | undefined {
  // What is not drawn may be anything.
  if (!isDrawn(style)) return undefined;
  const now = style.computed(property);
  // What is taken over can be said by its value alone: what it is taken over from may change.
  const isTakenOver = INHERITED.has(property) && !style.winner(property);
  const kept = { text: isTakenOver ? now : style.restated(property), computed: now, isChanged: false };
  // What nobody has declared is the browser's own; a text has the colour of what holds it all the same.
  if (property !== 'color' && style.winner(property)?.origin !== 'author') return kept;
  // What follows the text's colour follows it to another.
  if (/currentcolor/i.test(now)) return kept;
  const text = change(style, property);
  return text === undefined ? kept : { text, computed: style.computedFrom(property, text), isChanged: true };
}
