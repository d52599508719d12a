import type { Look } from '../look/model.js';
import { saidBesides, type SaidBesides } from '../look/said-besides.js';
import type { PageSession } from '../parts/page-session.js';
import type { RemedyRequest } from '../remedy/drafting.js';
import { recolour, swapPlaceKey, type ColourChange, type SwapPlace } from '../remedy/recolour.js';
import type { View } from '../remedy/settle.js';
import type { SiteComponent } from './effect.js';
import type { WearableSite } from './site.js';

/** A component with other colours, and what is set for it in its look. */
export interface Recoloured extends SaidBesides {
  readonly look: Look;
  readonly places: readonly SwapPlace[];
}

/**
 * Puts other colours into a component on every page that has it.
 *
 * @param viewsOf widths and schemes of a page in which it is looked at
 * @param only places that are wanted, by their keys; all when absent
 */
export function recolourOn(
  site: WearableSite,
  { place, version }: Pick<SiteComponent, 'place' | 'version'>,
  change: ColourChange,
  viewsOf: (page: PageSession) => readonly View[],
  only?: ReadonlySet<string>,
): Recoloured {
  const before = site.on(version).wearing(place).look;
  let look = before;
  const places = new Map<string, SwapPlace>();
  // Its look reaches every page that its selector reaches something on, under whatever name that is listed there.
  const others = site.pages.flatMap((page) => (page.version === version ? [] : [page.version]));
  for (const page of [version, ...others]) {
    const dressed = site.on(page);
    if (dressed.place(place)?.located.outcome !== 'matched') continue;
    const { session } = dressed.wearing(place);
    // What the first page has holds on all; the others say where they have something else.
    const own = page === version ? {} : { page: dressed.pageId };
    const views = viewsOf(dressed.page).map((view) => ({ ...view, place: { ...view.place, ...own } }));
    const changed = recolour(session, { before, look }, change, views, only);
    look = changed.look;
    for (const found of changed.places) {
      const key = swapPlaceKey(found);
      if (!places.has(key)) places.set(key, found);
    }
  }
  return { look, places: [...places.values()], ...saidBesides(before, look) };
}

const inDark = ({ environment, place }: View): View => ({
  environment: { ...environment, scheme: 'dark' },
  place: { ...place, scheme: 'dark' },
});

const widthsOf = ({ viewports }: RemedyRequest): View[] =>
  viewports.map(({ name, environment }) => ({
    environment,
    place: name === 'medium' || name === 'narrow' ? { viewport: name } : {},
  }));

/** Widths and schemes that a page tells apart, the widest first and in the light scheme first. */
export const viewsIn =
  (request: RemedyRequest) =>
  (page: PageSession): View[] => {
    const wide = widthsOf(request);
    const hasDark = page.environmentCases.some(({ scheme }) => scheme === 'dark');
    return hasDark ? [...wide, ...wide.map(inDark)] : wide;
  };

/** The widths in the dark scheme alone. */
export const darkViewsIn = (request: RemedyRequest) => (): View[] => widthsOf(request).map(inDark);
