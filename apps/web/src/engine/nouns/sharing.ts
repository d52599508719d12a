import {
  changingFinishes,
  componentsOfSite,
  copyingLook,
  findingDrift,
  matchingLook,
  settlingDrift,
  starterLooks,
} from '@retoque/core';
import { inTurns, SITE_REQUEST } from '../asking';
import type { Engine } from '../protocol';
import { siteAt, siteOf } from '../sites';

/** Looks that several components of a site have: carried over, followed, and where they drift apart. */
export function sharingOf(): Pick<
  Engine,
  'findDrift' | 'settleDrift' | 'starterLooks' | 'componentsOfSite' | 'matchLook' | 'copyLook' | 'tryFinishes'
> {
  return {
    async findDrift(at, onStep) {
      return inTurns(findingDrift(siteAt(at), SITE_REQUEST), onStep);
    },

    async settleDrift(at, drifts, onStep) {
      return inTurns(settlingDrift(siteAt(at), drifts, SITE_REQUEST), onStep);
    },

    async starterLooks(kind) {
      return starterLooks(kind);
    },

    async componentsOfSite(at) {
      return componentsOfSite(siteAt(at), (page) => page.components());
    },

    async matchLook(at, from, to, pairs, onStep) {
      return inTurns(matchingLook(siteAt(at), { from, to, pairs }, SITE_REQUEST), onStep);
    },

    async copyLook(at, from, only, onStep) {
      const look = siteOf(at.siteId).resolve(from.look);
      return inTurns(copyingLook(siteAt(at), { ...from, look }, SITE_REQUEST, only), onStep);
    },

    async tryFinishes(at, finishes, onStep) {
      return inTurns(changingFinishes(siteAt(at), finishes, SITE_REQUEST), onStep);
    },
  };
}
