import type { Steps } from '../base/steps.js';
import { roleOfPart, type PartRole } from '../component/part-role.js';
import { carriedBy } from '../component/carried.js';
import { columnNamed, setBits } from '../component/states.js';
import type { Look } from '../look/model.js';
import { saidBesides, type SaidBesides } from '../look/said-besides.js';
import type { ComponentPlace } from '../parts/placed-component.js';
import type { PartColumns } from '../parts/columns.js';
import type { RemedyRequest } from '../remedy/drafting.js';
import { settle, type View, type Wanted, type WantedState } from '../remedy/settle.js';
import type { ComponentSession } from '../session/component-session.js';
import { comparingChecks, wearOther, type ComponentEffect } from './effect.js';
import type { WearableSite } from './site.js';
import type { WornLook } from './worn.js';

/** A part of what a look is taken from, or put on. */
export interface RoledPart {
  readonly part: string;
  readonly label: string;
  readonly role: PartRole;
}

/** Which part has its look from which; null for one that keeps its own. */
export type PartPairs = Readonly<Record<string, string | null>>;

export interface MatchedLook extends SaidBesides {
  readonly from: readonly RoledPart[];
  readonly to: readonly RoledPart[];
  readonly pairs: PartPairs;
  /** Checks that change, in the component and in all that its look has a say in. */
  readonly effects: readonly ComponentEffect[];
}

export interface PlacedOnPage {
  readonly version: string;
  readonly place: ComponentPlace;
}

const roled = ({ part: found }: PartColumns): RoledPart => ({
  part: found.part.name,
  label: found.part.label,
  role: roleOfPart(found),
});

/** Parts of one kind match by name; otherwise the first of each role has its look from the first of that role. */
export function pairsByRole(from: readonly RoledPart[], to: readonly RoledPart[], isOneKind: boolean): PartPairs {
  const taken = new Set<PartRole>();
  return Object.fromEntries(
    to.map(({ part, role }) => {
      if (isOneKind) return [part, from.some((own) => own.part === part) ? part : null];
      if (taken.has(role)) return [part, null];
      taken.add(role);
      return [part, from.find((own) => own.role === role)?.part ?? null];
    }),
  );
}

/**
 * The look of one thing on another, as it is seen, whatever wears it: in every state that both have. Parts are matched by
 * what they are, or as the asker says.
 *
 * @param from what is pointed at, on any page of the site
 * @param to what gets its look
 */
export function* matchingLook(
  site: WearableSite,
  {
    from,
    to,
    pairs: asked,
  }: { readonly from: PlacedOnPage; readonly to: PlacedOnPage; readonly pairs?: PartPairs | undefined },
  request: RemedyRequest,
): Steps<MatchedLook> {
  const view: View = { environment: request.viewports[0]!.environment, place: {} };
  const source = site.on(from.version).wearing(from.place);
  const target = site.on(to.version).wearing(to.place);
  const fromColumns = source.session.columnsOfParts(source.look, view);
  const toColumns = target.session.columnsOfParts(target.look, view);
  const [fromParts, toParts] = [fromColumns.map(roled), toColumns.map(roled)];
  const pairs = asked ?? pairsByRole(fromParts, toParts, from.place.kind === to.place.kind);

  let look: Look = target.look;
  for (const own of toColumns) {
    const name = pairs[own.part.part.name];
    const other = fromColumns.find(({ part }) => part.part.name === name);
    if (!other) continue;
    for (const state of statesFor(source, target, other, own, view)) look = settle(target.session, look, state);
  }
  const looks: WornLook[] = [...site.worn];
  wearOther(looks, { place: to.place, name: '' }, look);
  const effects = yield* comparingChecks(site, site.under(looks), request);
  return {
    from: fromParts,
    to: toParts,
    pairs,
    ...saidBesides(target.look, look),
    effects,
  };
}

interface Worn {
  readonly session: ComponentSession;
  readonly look: Look;
}

/** What the elements of one part are to show in each state, as those of another do; the default first. */
function statesFor(source: Worn, target: Worn, from: PartColumns, to: PartColumns, view: View): WantedState[] {
  const { name: part, carrier = part } = to.part.part;
  const properties = carriedBy(roleOfPart(to.part));
  const columns = from.columns
    .map(
      ({ name }) =>
        to.columns.find((column) => column.name === name) ?? (isPointed(name) ? columnNamed(name) : undefined),
    )
    .filter((column) => column !== undefined)
    .sort((a, b) => setBits(a) - setBits(b));
  return columns.flatMap((column): WantedState[] => {
    const [shown] = source.session.groupsSeenUnder(source.look, from.part.part.name, column.name, view);
    if (!shown) return [];
    const orders = target.session
      .groupsSeenUnder(target.look, part, column.name, view)
      .flatMap(({ members }) => members.map(({ order }) => order));
    const cells = properties.flatMap((property) => {
      // Absolute, with nothing taken from where it stands.
      const text = shown.style.text(property);
      const wanted = new Map(orders.map((order): [number, Wanted] => [order, { text, computed: text }]));
      return [{ property, wanted }];
    });
    return [{ part, carrier, column, view, cells }];
  });
}

const isPointed = (column: string): boolean => ['hover', 'focus', 'pressed'].includes(column);
