import type { Steps } from '../base/steps.js';
import type { SitePalette } from '../palette/swatch.js';
import type { RemedyRequest } from '../remedy/drafting.js';
import { comparingChecks, type ComponentEffect } from './effect.js';
import type { SiteFinish, WearableSite } from './site.js';

/** The checks that change where a site's palette is another one; each step is one component gone through. */
export const changingPalette = (
  site: WearableSite,
  palette: SitePalette,
  request: RemedyRequest,
): Steps<ComponentEffect[]> => comparingChecks(site, site.withPalette(palette), request);

/** The checks that change where a site has other finishes. */
export const changingFinishes = (
  site: WearableSite,
  finishes: readonly SiteFinish[],
  request: RemedyRequest,
): Steps<ComponentEffect[]> => comparingChecks(site, site.withFinishes(finishes), request);
