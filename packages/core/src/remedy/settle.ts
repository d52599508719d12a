import type { StateColumn } from '../component/state-column.js';
import type { Environment } from '../css/conditions/environment.js';
import type { EditingPlace } from '../look/editing-place.js';
import { changeLook, settingIndex, settingKey, type Exception, type Look } from '../look/model.js';
import type { ComponentSession } from '../session/component-session.js';
import { cellSetting } from '../sheet/cells.js';
import type { ElementNode } from '../tree/tree.js';

/** A width, scheme or page that a site may have other values in. */
export interface View {
  readonly environment: Environment;
  readonly place: Pick<EditingPlace, 'viewport' | 'scheme' | 'page'>;
}

/** What an element shows then: the declared text, and what it comes to. */
export interface Wanted {
  readonly text: string;
  readonly computed: string;
}

/** A property of a part in a state and view, with what its elements are to show. */
export interface WantedCell {
  readonly property: string;
  /** By the elements' orders; without those in which it is not drawn. */
  readonly wanted: ReadonlyMap<number, Wanted>;
}

/** A part in a state and view. */
export interface WantedState {
  readonly part: string;
  readonly carrier: string;
  readonly column: StateColumn;
  readonly view: View;
  readonly cells: readonly WantedCell[];
}

/** Values of one cell that differ from member to member; more are no accident of a colour. */
const MOST_GROUPS = 12;

/** Sets what a part needs in a state for its elements to show what they are to; nothing where they do. */
export function settle(session: ComponentSession, look: Look, state: WantedState): Look {
  const { part, column, view } = state;
  let next = look;
  let { cells } = state;
  for (let round = 0; round < MOST_GROUPS && cells.length; round++) {
    const seen = session.groupsSeenUnder(next, part, column.name, view);
    const isFirst = round === 0;
    cells = cells.filter((cell) => {
      const changed = settleCell(session, next, state, cell, seen, isFirst);
      if (changed) next = changed;
      return changed;
    });
  }
  return next;
}

/** The look with what the first elements need that do not show what they are to; undefined where all do, or something else decides. */
function settleCell(
  session: ComponentSession,
  look: Look,
  state: WantedState,
  { property, wanted }: WantedCell,
  seen: ReturnType<ComponentSession['groupsSeenUnder']>,
  isFirst: boolean,
): Look | undefined {
  const groups = seen.flatMap(({ members, style }) => {
    const own = members[0] && wanted.get(members[0].order);
    return own
      ? [{ members, own, isThere: [style.text(property), style.computed(property)].includes(own.computed) }]
      : [];
  });
  const missing = groups.find(({ isThere }) => !isThere);
  if (!missing) return undefined;
  const isForAll = isFirst && groups.every(({ own }) => own.computed === missing.own.computed);
  const members = groups.flatMap(({ own, members: some, isThere }) =>
    !isThere && own.computed === missing.own.computed ? some : [],
  );
  const exception = isForAll ? undefined : exceptionFor(session, look, state.part, members);
  return withValue(look, state, property, missing.own.text, exception);
}

/** A look that says a value in a cell; where it says so already, in the whole of the state that is seen there. */
function withValue(
  look: Look,
  { part, carrier, column, view }: WantedState,
  property: string,
  value: string,
  exception: Exception | undefined,
): Look | undefined {
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
  while (ids.has(`own-${n}`)) n++;
  return { id: `own-${n}`, name: own[0]?.text ?? part, part, members: selectors };
}
