import type { Look } from '../look/model.js';
import type { ComponentPlace } from '../parts/placed-component.js';
import type { RemedyRequest } from '../remedy/drafting.js';
import { replacingColour, type ColourReplacement, type ColourShare } from '../remedy/replace-colour.js';
import type { Steps } from '../base/steps.js';
import { componentsOfSite } from './effect.js';
import type { SiteUnder } from './site.js';
import { isWornAt } from './worn.js';

/** A component of a site on the page where it is looked at. */
export interface PlacedColourShare extends ColourShare {
  readonly version: string;
  readonly place: ComponentPlace;
  readonly name: string;
  /** Id of what it wears; absent for a component that nobody has touched yet. */
  readonly worn: string | undefined;
}

export interface AcrossSite extends Omit<ColourReplacement, 'shares'> {
  /** The components that have the colour. */
  readonly shares: readonly PlacedColourShare[];
}

/**
 * The colour nearest to another that passes wherever the components of a site have that one, or the fewest that do. A
 * component of several pages is looked at on the first of them.
 *
 * @param inHand a component whose look is being edited, with the look as it is now
 */
export function* replacingAcross(
  site: SiteUnder,
  css: string,
  request: RemedyRequest,
  inHand?: { readonly place: ComponentPlace; readonly version: string; readonly look: Look },
): Steps<AcrossSite> {
  const components = componentsOfSite(site, (page) => page.components());
  const entries = components.map(({ version, place, name }) => {
    const dressed = site.on(version);
    const isInHand = inHand !== undefined && isWornAt(inHand.place, place);
    const worn = site.worn.find((own) => isWornAt(own, place));
    const { session, look } = isInHand
      ? { session: dressed.component(inHand.place), look: inHand.look }
      : dressed.wearing(place);
    return { version, place, name, worn: worn?.id, session, look };
  });
  const found = yield* replacingColour(entries, css, request);
  const shares = found.shares.flatMap((share, i): PlacedColourShare[] => {
    const { version, place, name, worn } = entries[i]!;
    return share.settings.length ? [{ ...share, version, place, name, worn }] : [];
  });
  return { colours: found.colours, places: found.places, left: found.left, shares };
}
