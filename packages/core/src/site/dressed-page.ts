import type { ViewportBounds } from '../look/conditions.js';
import { layoutKey } from '../look/layout-key.js';
import { activeSettings, EMPTY_LOOK, type Look } from '../look/model.js';
import { once } from '../memo/once.js';
import { ComponentSession } from '../session/component-session.js';
import { ComponentMissingError, UnknownKindError } from '../parts/errors.js';
import { forgetOldest } from '../memo/kept-answers.js';
import type { Wearing } from '../report/page-remedies.js';
import type { PageSession } from '../parts/page-session.js';
import { placeKey, placeOn, type ComponentPlace, type PlacedComponent } from '../parts/placed-component.js';
import type { SeenPage } from '../session/seen-page.js';
import { underlayOf, type Among, type Underlay } from '../session/underlay.js';
import { compareReach, overlap, reachesInto, standsBehind } from './reach.js';
import { isWornAt, placeOf, type WornLook } from './worn.js';
import { ownPartsOf } from '../component/own-parts.js';

/** A worn look on a page that has its component. */
export interface LookHere {
  readonly worn: WornLook;
  readonly placed: PlacedComponent;
  /** The component over the looks that lie under its own. */
  readonly session: ComponentSession;
}

interface Placed {
  readonly worn: WornLook;
  readonly placed: PlacedComponent;
  /** False for a look without settings. */
  readonly says: boolean;
}

/** Sessions of one page that are kept; a look of another component that changes may make a new one. */
const MAX_SESSIONS = 60;
const MAX_UNDERLAYS = 24;
/** Looks of one component that are told apart. */
const MAX_PRINTED = 24;

/** A look's CSS for every width, with a number that is another for other CSS. */
interface Printed {
  readonly look: Look;
  readonly css: string;
  readonly id: number;
}

let printedSoFar = 0;
/** What a component's looks came to: the last of them, and those before by their CSS, whose numbers they keep. */
const printed = once((_session: ComponentSession) => ({
  last: undefined as Printed | undefined,
  byCss: new Map<string, number>(),
}));

function printOf(session: ComponentSession, look: Look): Printed {
  const known = printed(session);
  if (known.last?.look !== look) {
    const css = session.css(look);
    let id = known.byCss.get(css);
    if (id === undefined) {
      known.byCss.set(css, (id = ++printedSoFar));
      forgetOldest(known.byCss, MAX_PRINTED);
    }
    known.last = { look, css, id };
  }
  return known.last;
}

const movesBoxes = ({ look }: WornLook): boolean => layoutKey(look) !== '';

const facts = once((look: PlacedComponent) =>
  once((component: PlacedComponent) => ({ into: reachesInto(look, component), over: overlap(look, component) })),
);

/** One page of a site with the looks that are worn there, in the order in which they lie over each other. */
export class DressedPage {
  private readonly sessions = new Map<string, ComponentSession>();
  private readonly underlays = new Map<string, Underlay>();
  private readonly latest = new Map<
    string,
    { readonly looks: readonly WornLook[]; readonly measured: number; readonly session: ComponentSession }
  >();
  private ordered: { readonly looks: readonly WornLook[]; readonly here: readonly Placed[] } | undefined;

  /** @param looks of the site, in the order in which they were made; another list where one has changed */
  constructor(
    readonly page: PageSession,
    readonly pageId: string,
    private readonly bounds: () => ViewportBounds,
    private readonly looks: () => readonly WornLook[],
    /** True where whoever asks measures the page anew under looks that move boxes. */
    private readonly isMeasuredAnew: boolean,
  ) {}

  /** The components of the site that stand on this page: what reaches wide first, what is contained last. */
  private get here(): readonly Placed[] {
    const looks = this.looks();
    if (this.ordered?.looks !== looks) {
      const here = looks.flatMap((worn) => this.placedLook(worn) ?? []);
      // Sorting keeps what is alike as it was made.
      this.ordered = { looks, here: here.sort((a, b) => compareReach(a.placed, b.placed)) };
    }
    return this.ordered.here;
  }

  /** A look on this page, found once; null where its component does not stand here. */
  private readonly placedLook = once((worn: WornLook): Placed | null => {
    const placed = this.placeWorn(worn);
    return placed ? { worn, placed, says: activeSettings(worn.look).length > 0 } : null;
  });

  /** Those of them whose looks say something. */
  private get telling(): readonly Placed[] {
    return this.here.filter(({ says }) => says);
  }

  /** Where the component of a look stands on this page: another page's much like it is none of it. */
  private placeWorn(worn: WornLook): PlacedComponent | undefined {
    const placed = this.place(placeOf(worn));
    return placed?.located.outcome === 'moved' && worn.pageId !== this.pageId ? undefined : placed;
  }

  /** Where a component stands on this page; undefined where it does not. */
  place(place: ComponentPlace): PlacedComponent | undefined {
    try {
      return placeOn(this.page, place);
    } catch (error) {
      if (error instanceof ComponentMissingError || error instanceof UnknownKindError) return undefined;
      throw error;
    }
  }

  /** The looks on this page with their components, each over those that it is planned over. */
  lookList(): readonly LookHere[] {
    return this.telling.map(({ worn, placed }) => ({ worn, placed, session: this.planner(placeOf(worn)) }));
  }

  /** The looks of others that have a say in a component, but for those that lie over its own. */
  under(place: ComponentPlace): readonly WornLook[] {
    return this.touching(place).map(({ worn }) => worn);
  }

  /** What those looks say that may move boxes; empty where nothing does. */
  layoutUnder(place: ComponentPlace): string {
    return this.touching(place)
      .map(({ worn }) => layoutKey(worn.look))
      .filter(Boolean)
      .join('\n');
  }

  private touching(place: ComponentPlace): readonly Placed[] {
    const component = placeOn(this.page, place);
    const { here } = this;
    const own = here.findIndex(({ worn }) => isWornAt(worn, place));
    return here.filter(({ placed, says }, i) => {
      if (i === own || placed === component || !says) return false;
      const { into, over } = facts(placed)(component);
      // What is contained and decides the same elements lies over it.
      if (over && own >= 0 && i > own) return false;
      return into || standsBehind(placed, component, this.page.measures);
    });
  }

  /** A component over the looks that decide the same elements and lie under its own: all that its rules depend on. */
  private planner(place: ComponentPlace): ComponentSession {
    const component = placeOn(this.page, place);
    const { here } = this;
    const own = here.findIndex(({ worn }) => isWornAt(worn, place));
    return this.sessionFor('planner', place, () =>
      here.slice(0, own < 0 ? here.length : own).filter(({ placed, says }) => says && facts(placed)(component).over),
    );
  }

  /**
   * A component of this page over the looks of others that have a say in it; the same one as long as these say the same.
   *
   * @throws UnknownKindError and ComponentMissingError where it does not stand here
   */
  component(place: ComponentPlace): ComponentSession {
    return this.sessionFor('component', place, () => this.touching(place));
  }

  private sessionFor(what: string, place: ComponentPlace, under: () => readonly Placed[]): ComponentSession {
    const looks = this.looks();
    const name = placeKey(place);
    const asked = `${what} ${name}`;
    const latest = this.latest.get(asked);
    const measured = this.page.measures.version;
    if (latest?.looks === looks && latest.measured === measured) return latest.session;
    const beneath = under().map(({ worn }) => worn);
    const own = this.here.find(({ worn }) => isWornAt(worn, place))?.worn;
    const moves = !this.isMeasuredAnew && [...beneath, ...(own ? [own] : [])].some(movesBoxes);
    const printed = beneath.map((worn) => this.printOf(worn));
    const session = this.over(place, name, printed, moves);
    this.latest.set(asked, { looks, measured, session });
    forgetOldest(this.latest, 3 * MAX_SESSIONS);
    return session;
  }

  private printOf(worn: WornLook): Printed {
    return printOf(this.planner(placeOf(worn)), worn.look);
  }

  private over(place: ComponentPlace, name: string, under: readonly Printed[], moves: boolean): ComponentSession {
    const key = `${name} ${under.map(({ id }) => id).join()}${moves ? ' moved' : ''}`;
    let session = this.sessions.get(key);
    if (session) this.sessions.delete(key);
    else {
      const { kind, locator } = place;
      const { page, pageId } = this;
      session = new ComponentSession(page, kind, locator, {
        ...ownPartsOf(place),
        pageId,
        bounds: this.bounds(),
        before: this.underlay(under),
        measures: moves ? page.measures.unplaced : page.measures,
      });
    }
    this.sessions.set(key, session);
    forgetOldest(this.sessions, MAX_SESSIONS);
    return session;
  }

  private underlay(under: readonly Printed[]): Underlay | undefined {
    const told = under.filter(({ css }) => css);
    if (!told.length) return undefined;
    const key = told.map(({ id }) => id).join();
    let underlay = this.underlays.get(key);
    if (underlay) this.underlays.delete(key);
    else underlay = underlayOf(this.page, told.map(({ css }) => css).join('\n'));
    this.underlays.set(key, underlay);
    forgetOldest(this.underlays, MAX_UNDERLAYS);
    return underlay;
  }

  /** What all other looks on this page say, whether or not they have a say in a component. */
  around(place: ComponentPlace): Among {
    const component = placeOn(this.page, place);
    const { here } = this;
    const own = here.findIndex(({ worn }) => isWornAt(worn, place));
    const at = own < 0 ? here.length : own;
    const saying = (looks: readonly Placed[]) =>
      this.underlay(
        looks.filter(({ placed, says }) => says && placed !== component).map(({ worn }) => this.printOf(worn)),
      );
    return { under: saying(here.slice(0, at)), over: saying(here.slice(at)) };
  }

  /** True where a look on this page may have moved boxes, so that what was measured of it does not hold. */
  private get moved(): boolean {
    return this.telling.some(({ worn }) => movesBoxes(worn));
  }

  /** All looks of the page as CSS for every width, those that lie over others last; empty without any. */
  get css(): string {
    return this.telling
      .map(({ worn }) => this.printOf(worn).css)
      .filter(Boolean)
      .join('\n');
  }

  /** The page with all looks on it. */
  get seen(): SeenPage {
    const worn = this.underlay(this.telling.map(({ worn: own }) => this.printOf(own)));
    const { page } = this;
    return {
      seen: 'restyled',
      page,
      pages: worn?.pages ?? page.pages,
      measures: this.moved ? page.measures.unplaced : page.measures,
      component: (place) => this.restyled(place),
    };
  }

  /** The look that a component of this page wears; undefined for none. */
  wornAt(place: ComponentPlace): WornLook | undefined {
    return this.here.find(({ worn }) => isWornAt(worn, place))?.worn;
  }

  /** What a component of this page wears, over the looks of others that have a say in it. */
  wearing(place: ComponentPlace): Wearing {
    const own = this.wornAt(place);
    return { session: this.component(own ? placeOf(own) : place), look: own?.look ?? EMPTY_LOOK };
  }

  /** A component as it is seen with all looks on the page, its own among them. */
  restyled(place: ComponentPlace): ComponentSession {
    const whole = this.wholePlace(place);
    const all = this.telling.map(({ worn }) => this.printOf(worn));
    return this.over(whole, `restyled ${placeKey(whole)}`, all, this.moved);
  }

  /** The same with those looks alone that have a say in it, so that changes of others leave it as it is. */
  worn(place: ComponentPlace): ComponentSession {
    const whole = this.wholePlace(place);
    const component = placeOn(this.page, whole);
    return this.sessionFor('worn', whole, () =>
      this.telling.filter(
        ({ placed }) =>
          placed === component || facts(placed)(component).into || standsBehind(placed, component, this.page.measures),
      ),
    );
  }

  /** A component with the parts that its own look corrects. */
  private wholePlace(place: ComponentPlace): ComponentPlace {
    const own = this.here.find(({ worn }) => isWornAt(worn, place));
    return own ? placeOf(own.worn) : place;
  }
}
