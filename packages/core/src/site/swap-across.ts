import { within, type Steps } from '../base/steps.js';
import { swapIn, type ColourSwap } from '../palette/in-value.js';
import { parseColour } from '../colour/parse.js';
import type { RemedyRequest } from '../remedy/drafting.js';
import type { ColourChange, SwapPlace } from '../remedy/recolour.js';
import { comparingChecks, componentsOfSite, wearOther, type ComponentEffect, type LookShare } from './effect.js';
import { recolourOn, viewsIn } from './recolour-on.js';
import type { WearableSite } from './site.js';
import { componentKey, type WornLook } from './worn.js';

/** A colour that takes another's place across a site. */
export interface SiteSwap extends ColourSwap {
  /** How what is put in is written where it is a swatch: `swatch(quay)`. */
  readonly written?: string | undefined;
  /** Components that are wanted, by kind and selector, each with the keys of its places or all; every one when absent. */
  readonly only?: ReadonlyMap<string, ReadonlySet<string> | 'all'> | undefined;
}

/** A component that has the colour, with what replaces it. */
export interface SwapShare extends LookShare {
  readonly places: readonly SwapPlace[];
}

export interface SwapAcross {
  readonly shares: readonly SwapShare[];
  /** Checks that change, in these components and in all that their looks have a say in. */
  readonly effects: readonly ComponentEffect[];
}

/**
 * Puts a colour in another's place in the components of a site and in what belongs to none of them: in every state, width
 * and scheme that their pages tell apart, on every page that has them. What had another value keeps it.
 */
export function* swappingAcross(site: WearableSite, swap: SiteSwap, request: RemedyRequest): Steps<SwapAcross> {
  const components = componentsOfSite(site);
  const shares: SwapShare[] = [];
  const looks: WornLook[] = [...site.worn];
  const change: ColourChange = (style, property) => swapIn(style.text(property), swap);
  for (const [done, component] of components.entries()) {
    const { place, name, version } = component;
    const wanted = swap.only ? swap.only.get(componentKey(place)) : 'all';
    const swapped =
      wanted && recolourOn(site, component, change, viewsIn(request), wanted === 'all' ? undefined : wanted);
    if (swapped && (swapped.settings.length || swapped.places.length)) {
      shares.push({ version, place, name, ...swapped });
      wearOther(looks, component, swapped.look);
    }
    yield { done: done + 1, of: 2 * components.length };
  }
  const of = 2 * components.length;
  const effects = yield* within(comparingChecks(site, site.under(looks), request), components.length, of);
  return { shares: shares.map((share) => asWritten(share, swap)), effects };
}

/** The swatch's name in place of its colour. */
function asWritten(share: SwapShare, { to, written }: SiteSwap): SwapShare {
  const from = written === undefined ? undefined : parseColour(to);
  if (!from) return share;
  return {
    ...share,
    settings: share.settings.map((setting) => ({
      ...setting,
      value: swapIn(setting.value, { from, to: written! }) ?? setting.value,
    })),
  };
}
