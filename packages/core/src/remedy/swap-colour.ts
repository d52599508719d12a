import { setBits } from '../component/states.js';
import type { StateColumn } from '../component/state-column.js';
import type { Environment } from '../css/conditions/environment.js';
import type { Atom } from '../css/selector/states.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import type { EditingPlace } from '../look/editing-place.js';
import { changeLook, settingIndex, settingKey, type Exception, type Look } from '../look/model.js';
import { swapIn, type ColourSwap } from '../palette/in-value.js';
import type { ComponentSession } from '../session/component-session.js';
import { cellSetting } from '../sheet/cells.js';
import type { ElementNode } from '../tree/tree.js';

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
]);

/** A width, scheme or page that a site may have other values in. */
export interface SwapView {
  readonly environment: Environment;
  readonly place: Pick<EditingPlace, 'viewport' | 'scheme' | 'page'>;
}

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
 * Puts a colour in another's place wherever a component has it: in every part, property, state and width, whole or within
 * a gradient or shadow, for those members of a part that have it. What had another value keeps it, in every view.
 *
 * @param swap what is put in is an absolute colour
 * @param views the widest first, in the light scheme: what it sets holds in the others unless they have values of their own
 * @param only places that are wanted, by their keys; all when absent
 */
export function swapColour(
  session: ComponentSession,
  { before, look }: Swapping,
  swap: ColourSwap,
  views: readonly SwapView[],
  only?: ReadonlySet<string>,
): Swapped {
  const places: SwapPlace[] = [];
  let next = look;
  for (const [key, cells] of cellsBefore(session, before, swap, views)) {
    const having = cells.filter(({ hasIt }) => hasIt);
    if (!having.length || (only && !only.has(key))) continue;
    const { part, property } = cells[0]!;
    places.push({ part, property, columns: [...new Set(having.map(({ column }) => column.name))] });
    for (const cell of cells) next = settle(session, next, cell);
  }
  return { look: next, places };
}

/** What an element shows then: the declared text, and what it comes to. */
interface Wanted {
  readonly text: string;
  readonly computed: string;
}

/** A cell in one view with what its elements are to show. */
interface WantedCell {
  readonly part: string;
  readonly carrier: string;
  readonly property: string;
  readonly column: StateColumn;
  readonly view: SwapView;
  /** By the elements' orders; without those in which it is not drawn. */
  readonly wanted: ReadonlyMap<number, Wanted>;
  readonly hasIt: boolean;
}

const POINTED: ReadonlySet<Atom> = new Set<Atom>(['hover', 'active', 'focus', 'focus-visible']);

/** Every cell that may hold a colour, by part and property, the states that others follow first. */
function cellsBefore(
  session: ComponentSession,
  look: Look,
  swap: ColourSwap,
  views: readonly SwapView[],
): ReadonlyMap<string, WantedCell[]> {
  const cells = new Map<string, WantedCell[]>();
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
        for (const [property, isDrawn] of COLOURED) {
          const wanted = new Map<number, Wanted>();
          let hasIt = false;
          for (const { members, style } of groups) {
            const value = wantedOf(style, property, isDrawn, swap);
            if (!value) continue;
            hasIt ||= value.isSwapped;
            for (const { order } of members) wanted.set(order, value);
          }
          const key = swapPlaceKey({ part: name, property });
          const cell: WantedCell = { part: name, carrier, property, column, view, wanted, hasIt };
          cells.set(key, [...(cells.get(key) ?? []), cell]);
        }
      }
    }
  }
  return cells;
}

function wantedOf(
  style: ElementStyle,
  property: string,
  isDrawn: (style: ElementStyle) => boolean,
  swap: ColourSwap,
): (Wanted & { readonly isSwapped: boolean }) | undefined {
  // What is not drawn may be anything.
  if (!isDrawn(style)) return undefined;
  const now = style.computed(property);
  const kept = { text: style.restated(property), computed: now, isSwapped: false };
  // What nobody has declared is the browser's own; a text has the colour of what holds it all the same.
  if (property !== 'color' && style.winner(property)?.origin !== 'author') return kept;
  // What follows the text's colour follows it to another.
  if (/currentcolor/i.test(now)) return kept;
  const text = swapIn(style.text(property), swap);
  return text === undefined ? kept : { text, computed: style.computedFrom(property, text), isSwapped: true };
}

/** Values of one cell that differ from member to member; more are no accident of a colour. */
const MOST_GROUPS = 12;

/** Sets what a cell needs for its elements to show what they are to. */
function settle(session: ComponentSession, look: Look, cell: WantedCell): Look {
  const { part, property, column, view, wanted } = cell;
  let next = look;
  for (let round = 0; round < MOST_GROUPS; round++) {
    const groups = session.groupsSeenUnder(next, part, column.name, view).flatMap(({ members, style }) => {
      const own = members[0] && wanted.get(members[0].order);
      return own
        ? [{ members, own, isThere: [style.text(property), style.computed(property)].includes(own.computed) }]
        : [];
    });
    const missing = groups.find(({ isThere }) => !isThere);
    if (!missing) return next;
    const isForAll = round === 0 && groups.every(({ own }) => own.computed === missing.own.computed);
    const members = groups.flatMap(({ own, members: some, isThere }) =>
      !isThere && own.computed === missing.own.computed ? some : [],
    );
    const exception = isForAll ? undefined : exceptionFor(session, next, part, members);
    const changed = withValue(next, cell, missing.own.text, exception);
    // What has been said already, and is not seen, something else decides.
    if (!changed) return next;
    next = changed;
  }
  return next;
}

/** A look that says a value in a cell; where it says so already, in the whole of the state that is seen there. */
function withValue(look: Look, cell: WantedCell, value: string, exception: Exception | undefined): Look | undefined {
  const { part, carrier, property, column, view } = cell;
  const place = { ...view.place, ...(exception ? { exception: exception.id } : {}) };
  const slots = [column, { ...column, atoms: column.shown }].map((own) =>
    cellSetting(part, carrier, property, own, place),
  );
  const slot = slots.find((own) => settingIndex(look).get(settingKey(own))?.value !== value);
  if (!slot) return undefined;
  const known = exception === undefined || look.exceptions.includes(exception);
  const own = known ? look : { ...look, exceptions: [...look.exceptions, exception] };
  return changeLook(own, [{ ...slot, value }]);
}

/** An exception of just these members: one that the look has, or a new one. */
function exceptionFor(session: ComponentSession, look: Look, part: string, members: readonly ElementNode[]): Exception {
  const orders = new Set(members.map(({ order }) => order));
  const own = session.members(part).filter(({ order }) => orders.has(order));
  const selectors = own.map(({ selector }) => selector);
  const isSame = (other: Exception) =>
    other.part === part &&
    other.members.length === selectors.length &&
    selectors.every((one) => other.members.includes(one));
  const known = look.exceptions.find(isSame);
  if (known) return known;
  const ids = new Set(look.exceptions.map(({ id }) => id));
  let n = look.exceptions.length + 1;
  while (ids.has(`colour-${n}`)) n++;
  return { id: `colour-${n}`, name: own[0]?.text ?? part, part, members: selectors };
}
