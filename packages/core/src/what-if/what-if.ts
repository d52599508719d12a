import type { Kind } from '../component/kind.js';
import type { StateColumn } from '../component/state-column.js';
import type { FoundPart } from '../component/parts.js';
import type { Level } from '../check/check.js';
import { columnFor, columnNamed, setBits, shownBits } from '../component/states.js';
import type { Environment } from '../css/conditions/environment.js';
import { ACTIVE, CARRIED, HOVER, isSubset } from '../css/selector/states.js';
import type { SubjectGroup } from '../handover/index.js';
import { holdsIn, type Place } from '../look/conditions.js';
import { bitsOfWhen, type Look } from '../look/model.js';
import type { LookResolver } from '../look/resolve.js';
import type { Subject } from '../component/subject.js';
import { once } from '../memo/once.js';
import type { StagedPages } from '../page/staged-pages.js';
import type { ElementNode } from '../tree/tree.js';
import type { LookedAt } from '../ledger/checks.js';
import type { PartColumns } from '../parts/columns.js';
import { rivalOf, type Slot } from './rivals.js';
import type { LedgerRequest } from '../ledger/ledger-check.js';
import type { EditingPlace } from '../look/editing-place.js';
import { triedCase, triedIcon, triedTexts, type TriedCase } from './try-colours.js';

/** What is asked of the component that values are tried on. */
export interface WhatIfSource {
  readonly kind: Kind;
  readonly parts: readonly FoundPart[];
  readonly placeFor: (place: EditingPlace) => Place;
  readonly pagesUnder: (look: Look, environment: Environment, place: EditingPlace) => StagedPages;
  readonly columnsFor: (look: Look, environment: Environment, added: readonly string[]) => readonly PartColumns[];
  readonly groupsOf: (part: FoundPart, look: Look, environment: Environment) => readonly SubjectGroup[];
  readonly resolverFor: (
    columns: PartColumns,
    look: Look,
    environment: Environment,
    place: EditingPlace,
  ) => LookResolver;
  readonly lookAt: (pages: StagedPages, environment: Environment, subject: Subject, column: StateColumn) => LookedAt;
}

/** A value of a part in a state. */
export interface ValueRef {
  readonly part: string;
  readonly property: string;
  /** Name of the column. */
  readonly column: string;
  /** True where the columns that would follow are given values of their own. */
  readonly alone?: boolean;
}

export interface WhatIfRequest {
  readonly environment: Environment;
  /** At which texts are measured; AA when absent. */
  readonly level?: Level;
  readonly place?: EditingPlace;
  readonly added?: readonly string[];
}

/** A state of a part at a viewport. */
export interface Shown {
  readonly part: string;
  readonly column: string;
  readonly viewport: string;
  /** True for a part around the one that has the value, which is judged by all that it holds. */
  readonly isAround: boolean;
}

interface ReachedPart {
  readonly part: FoundPart;
  readonly columns: readonly StateColumn[];
  readonly isAround: boolean;
}

/** A part alone, with the parts that stand within it, or with those around it too. */
type Reaching = 'alone' | 'within' | 'around';

const isGround = (property: string): boolean => property.startsWith('background');

/** What other values of a component would change, and what is asked of them there. */
export class WhatIf {
  constructor(private readonly source: WhatIfSource) {}

  /** Columns of a part that would show a value set for one of them, that one included; the law of the model decides. */
  followers(look: Look, { part, property, column, alone }: ValueRef, request: WhatIfRequest): readonly StateColumn[] {
    const { environment, place = {}, added = [] } = request;
    const own = this.source.columnsFor(look, environment, added).find((item) => item.part.part.name === part);
    if (!own) return [];
    if (alone) return own.columns.filter(({ name }) => name === column);
    const resolver = this.source.resolverFor(own, look, environment, place);
    const set = setBits(columnNamed(column)!);
    return own.columns.filter((other) => {
      const shown = shownBits(other);
      return other.name === column || (isSubset(set, shown) && set >= resolver.decide(property, shown).set);
    });
  }

  /** The parts, and columns of theirs, in which a value is seen, as far as is asked for. */
  private reached(look: Look, ref: ValueRef, request: WhatIfRequest, how: Reaching): ReachedPart[] {
    const { environment, added = [] } = request;
    const sheet = this.source.columnsFor(look, environment, added);
    const own = sheet.find(({ part }) => part.part.name === ref.part);
    if (!own) return [];
    const following = this.followers(look, ref, request);
    return sheet.flatMap(({ part, columns }): ReachedPart[] => {
      if (part === own.part) return [{ part, columns: following, isAround: false }];
      if (how === 'alone') return [];
      if (!this.standsIn(part, own.part)) {
        if (how === 'within' || !this.standsIn(own.part, part)) return [];
        // What is within is seen at rest, with the states that its markup carries, whatever the part around is in.
        const isSeen = following.some((column) => (shownBits(column) & ~CARRIED) === 0);
        return isSeen ? [{ part, columns, isAround: true }] : [];
      }
      // A pseudo-element is in the states of its element.
      const isCarrier = part.part.carrier === ref.part || own.part.elements.includes(part.elements[0]!);
      const shared = columns.filter((column) => following.includes(columnAround(own.columns, column, isCarrier)));
      return shared.length ? [{ part, columns: shared, isAround: false }] : [];
    });
  }

  private standsIn({ elements }: FoundPart, { elements: around }: FoundPart): boolean {
    const orders = ordersOf(around);
    return elements.some((element) => outerIn(orders, element) !== undefined);
  }

  /**
   * Where a value in a slot is seen, at the viewports in which it counts. A ground lies behind the parts within, and
   * these may take over a colour; parts around are judged by all that they hold.
   */
  showing(look: Look, slot: Slot, request: LedgerRequest): Shown[] {
    const { part, property } = slot;
    const ref = { part, property, column: columnFor(bitsOfWhen(slot.when)).name };
    const isSeenBeyond = isGround(property) || property === 'color';
    return this.viewportsOf(look, slot, request).flatMap(({ name: viewport, environment }) =>
      this.reached(look, ref, { ...request, environment }, isSeenBeyond ? 'around' : 'alone').flatMap((item) =>
        item.columns.map((column) => ({
          part: item.part.part.name,
          column: column.name,
          viewport,
          isAround: item.isAround,
        })),
      ),
    );
  }

  /** The viewports in which a value of the slot counts: no narrower one of the look holds there instead. */
  viewportsOf(look: Look, slot: Slot, { viewports, place = {} }: LedgerRequest): LedgerRequest['viewports'] {
    const where = this.source.placeFor(place);
    return viewports.filter(
      ({ environment }) =>
        holdsIn({ ...slot, value: '' }, where, environment) && !rivalOf(look, slot, where, environment),
    );
  }

  /** Where a value has to be set to count in an environment: in the slot, or in a narrower one that the look has there. */
  slotIn(look: Look, slot: Slot, environment: Environment, place: EditingPlace = {}): Slot {
    const rival = rivalOf(look, slot, this.source.placeFor(place), environment);
    return rival ? { ...slot, when: rival.when } : slot;
  }

  /**
   * Texts that a colour has a say in, ready to be measured with others: of its column and all that follow it.
   *
   * @param bare each also as if no picture had loaded
   */
  cases(look: Look, ref: ValueRef, request: WhatIfRequest, bare = false): TriedCase[] {
    const { environment, place = {}, level = 'AA' } = request;
    const { groupsOf, lookAt, pagesUnder } = this.source;
    const pages = pagesUnder(look, environment, place);
    const tried = this.source.parts.find(({ part }) => part.name === ref.part);
    if (!tried) return [];
    const orders = ordersOf(tried.elements);
    return this.reached(look, ref, request, isGround(ref.property) ? 'within' : 'alone').flatMap(
      ({ part, columns }) => {
        // Only some pseudo-elements hold text; placeholders do.
        if (part !== tried && part.part.pseudo !== undefined && !this.hasText(part)) return [];
        return columns.flatMap((column) =>
          groupsOf(part, look, environment).flatMap(({ subject }) => {
            const seen = lookAt(pages, environment, subject, column);
            const outer = part === tried ? seen.element : outerIn(orders, seen.element);
            // What does not stand on it has nothing to do with it.
            if (!outer) return [];
            const lookings = bare ? [seen.looking, { ...seen.looking, withoutPictures: true }] : [seen.looking];
            return lookings
              .flatMap((looking) => triedTexts(looking, seen.element, part.part.pseudo))
              .flatMap(
                (text) =>
                  triedCase({ ...text, element: part === tried ? text.element : outer }, ref.property, level) ?? [],
              );
          }),
        );
      },
    );
  }

  /** The same at each of several viewports in which a value of the slot would count. */
  everywhere(look: Look, ref: ValueRef, slot: Slot, request: LedgerRequest, bare = false): TriedCase[] {
    return this.viewportsOf(look, slot, request).flatMap(({ environment }) =>
      this.cases(look, ref, { ...request, environment }, bare),
    );
  }

  /** The icons that show a colour of a part, at each viewport in which a value of the slot would count. */
  icons(look: Look, ref: ValueRef, slot: Slot, request: LedgerRequest): TriedCase[] {
    const { groupsOf, lookAt, pagesUnder, parts } = this.source;
    const tried = parts.find(({ part }) => part.name === ref.part);
    if (!tried) return [];
    return this.viewportsOf(look, slot, request).flatMap(({ environment }) => {
      const pages = pagesUnder(look, environment, request.place ?? {});
      return this.followers(look, ref, { ...request, environment }).flatMap((column) =>
        groupsOf(tried, look, environment).flatMap(({ subject }) => {
          const { looking, element } = lookAt(pages, environment, subject, column);
          return triedIcon(looking, element) ?? [];
        }),
      );
    });
  }

  private hasText({ part }: FoundPart): boolean {
    return this.source.kind.demands.some((demand) => demand.part === part.name && demand.criterion === '1.4.3');
  }
}

/** Places of a part's elements in the document, which are the same in every state of its markup. */
const ordersOf = once(
  (elements: readonly ElementNode[]): ReadonlySet<number> => new Set(elements.map(({ order }) => order)),
);

/** The element of those with some orders that is an element or the nearest around it. */
function outerIn(orders: ReadonlySet<number>, element: ElementNode): ElementNode | undefined {
  for (let node: ElementNode | undefined = element; node; node = node.parent) if (orders.has(node.order)) return node;
  return undefined;
}

/** The column that a part around another is in while the other is in one: who points at a child points at it too. */
function columnAround(own: readonly StateColumn[], column: StateColumn, isCarrier: boolean): StateColumn {
  const bits = isCarrier ? shownBits(column) : shownBits(column) & (HOVER | ACTIVE);
  return own.filter((item) => isSubset(setBits(item), bits)).at(-1) ?? own[0]!;
}
