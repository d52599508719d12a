import { meanwhile, within, type Steps } from '../base/steps.js';
import { BLOCK } from '../component/kinds/block.js';
import { kindNamed } from '../component/kinds/index.js';
import { schemeOf } from '../css/cascade/used-font.js';
import { locatorFor, reachedBy } from '../css/selector/locator.js';
import { changeLook, EMPTY_LOOK, settingText, type Look } from '../look/model.js';
import { saidBesides } from '../look/said-besides.js';
import { DARK_CANVAS, darkValue } from '../remedy/darken.js';
import type { RemedyRequest } from '../remedy/drafting.js';
import type { ColourChange } from '../remedy/recolour.js';
import type { ElementNode } from '../tree/tree.js';
import {
  comparingChecks,
  componentsOfSite,
  wearOther,
  type ComponentEffect,
  type LookShare,
  type SiteComponent,
} from './effect.js';
import { mendingBroken } from './mend-broken.js';
import { darkViewsIn, recolourOn } from './recolour-on.js';
import type { WearableSite } from './site.js';
import { componentKey, isWornAt, type WornLook } from './worn.js';

export interface DarkScheme {
  /** What is set in components for it. */
  readonly shares: readonly LookShare[];
  /** The looks that the site would wear. */
  readonly looks: readonly WornLook[];
  /** Checks that are otherwise in the dark scheme than where nothing is done for it. */
  readonly effects: readonly ComponentEffect[];
}

/**
 * A dark scheme for a site: light grounds become dark ones, what stands on them light, and what is dark or vivid already
 * stays; in every state and width, on every page. What passes as the site is now and would fail then is mended by the
 * smallest changes that pass. It holds for those who prefer a dark scheme alone: nothing else of the site changes.
 *
 * @param request in the dark scheme: its environments, and the place that remedies are set for
 */
export function* derivingDark(site: WearableSite, request: RemedyRequest): Steps<DarkScheme> {
  const components = componentsOfSite(site);
  const of = 3 * components.length;
  const drafts = new Map<string, SiteComponent>();
  const looks: WornLook[] = [...site.worn];
  const wear = (component: SiteComponent, look: Look): void => {
    drafts.set(componentKey(component.place), component);
    wearOther(looks, component, look);
  };
  for (const [done, component] of components.entries()) {
    const change = kindNamed(component.place.kind)?.besidePage ? besidePage : darkValue;
    const { look, settings } = recolourOn(site, component, change, darkViewsIn(request));
    if (settings.length) wear(component, look);
    yield { done: done + 1, of };
  }
  for (const { component, look } of pageGrounds(site, looks, components, request, drafts.size > 0))
    wear(component, look);

  const drafted = site.under([...looks]);
  for (const [done, component] of components.entries()) {
    for (const page of [component.version, ...component.alsoOn]) {
      const look = looks.find((worn) => isWornAt(worn, component.place))?.look ?? EMPTY_LOOK;
      const work = mendingBroken(site.on(page), drafted.on(page), component.place, look, request);
      const mended = yield* meanwhile(work, { done: components.length + done, of });
      if (mended !== look) wear(component, mended);
    }
    yield { done: components.length + done + 1, of };
  }

  const effects = yield* within(comparingChecks(site, site.under(looks), request), 2 * components.length, of);
  return { shares: sharesOf(site, looks, drafts), looks, effects };
}

/** A scrollbar has no text. */
const besidePage: ColourChange = (style, property) => (property === 'color' ? undefined : darkValue(style, property));

function sharesOf(
  site: WearableSite,
  looks: readonly WornLook[],
  drafts: ReadonlyMap<string, SiteComponent>,
): LookShare[] {
  return [...drafts.values()].flatMap(({ version, place, name }): LookShare[] => {
    const { look } = looks.find((worn) => isWornAt(worn, place))!;
    const before = site.worn.find((worn) => isWornAt(worn, place))?.look ?? EMPTY_LOOK;
    const besides = saidBesides(before, look);
    return besides.settings.length ? [{ version, place, name, ...besides }] : [];
  });
}

const PAGE_PROPERTIES = ['background-color', 'background-image', 'color'];

interface PageGround {
  readonly component: SiteComponent;
  readonly look: Look;
}

/**
 * What the pages themselves are drawn on, which no component need have: set on the body, and on the root where it has a
 * ground; and, where anything became dark, that what the browser draws itself is drawn for the dark.
 */
function pageGrounds(
  site: WearableSite,
  worn: readonly WornLook[],
  components: readonly SiteComponent[],
  request: RemedyRequest,
  changes: boolean,
): PageGround[] {
  const found = new Map<string, PageGround>();
  const { environment } = request.viewports[0]!;
  for (const { version, pageId } of site.pages) {
    const { page } = site.on(version);
    const view = page.pages.at().stylesFor(environment).at();
    const { tree } = page;
    const root = tree.elements.find(({ name }) => name === 'html');
    const body = tree.elements.find(({ name }) => name === 'body');
    const isRootDrawn = root !== undefined && view.of(root).colour('background-color').alpha > 0;
    const drawn = new Map<ElementNode, readonly (readonly [property: string, value: string])[]>();
    for (const element of [isRootDrawn ? root : undefined, body]) {
      if (!element) continue;
      const style = view.of(element);
      const isCanvas = element === body && !isRootDrawn && style.colour('background-color').alpha === 0;
      const values = PAGE_PROPERTIES.flatMap((property): (readonly [string, string])[] => {
        const value = isCanvas && property === 'background-color' ? DARK_CANVAS : darkValue(style, property);
        return value === undefined ? [] : [[property, value]];
      });
      if (values.length) drawn.set(element, values);
    }
    // The window's scrollbars follow the root, and what the browser draws in controls what they inherit from it.
    const isForDark = root === undefined || schemeOf(view.of(root).computed('color-scheme'), 'dark') === 'dark';
    if (!isForDark && (changes || drawn.size)) drawn.set(root, [...(drawn.get(root) ?? []), ['color-scheme', 'dark']]);
    for (const [element, values] of drawn) {
      const component = holderOf(site, version, element, components);
      const key = componentKey(component.place);
      const known = found.get(key);
      const part = kindNamed(component.place.kind)!.parts[0]!.name;
      const look = known?.look ?? worn.find((own) => isWornAt(own, component.place))?.look ?? EMPTY_LOOK;
      const settings = values.map(([property, value]) => ({
        part,
        property,
        value,
        when: { states: [], scheme: 'dark' as const },
      }));
      // The first page's values hold on all; another says where it has its own.
      const own = known
        ? settings
            .filter((setting) => !look.settings.some((other) => settingText(other) === settingText(setting)))
            .map((setting) => ({ ...setting, when: { ...setting.when, page: pageId } }))
        : settings;
      found.set(key, { component: known?.component ?? component, look: changeLook(look, own) });
    }
  }
  return [...found.values()];
}

/** The component that has an element as its root on a page, or a block of that element alone. */
function holderOf(
  site: WearableSite,
  version: string,
  element: ElementNode,
  components: readonly SiteComponent[],
): SiteComponent {
  const { tree } = site.on(version).page;
  const known = components.find(({ place, version: first, alsoOn }) => {
    // A scrollbar hangs on the root too, and is not its ground.
    if (kindNamed(place.kind)?.besidePage) return false;
    if (first !== version && !alsoOn.includes(version)) return false;
    const reached = reachedBy(tree, place.locator.selector);
    return reached.length === 1 && reached[0] === element;
  });
  const { name: tag } = element;
  const name = tag === 'html' ? 'Root of the page' : 'Page';
  return known ?? { version, place: { kind: BLOCK.name, locator: locatorFor(element, tag) }, name, alsoOn: [] };
}
