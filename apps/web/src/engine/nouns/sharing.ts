import {
  changingFinishes,
  componentsOfSite,
  copyingLook,
  findingDrift,
  finishInTurns,
  matchingLook,
  pageChecks,
  readState,
  settlingDrift,
  starterLooks,
  takingAlong,
} from '@retoque/core';
import { environmentOf, inTurns, nextTurn, now, requestAt, SITE_REQUEST } from '../asking';
import type { Engine } from '../protocol';
import type { SiteFiles } from '../site-files';
import { opened, siteAt, siteOf } from '../sites';

/** A page at rest. */
const PLAIN = [readState('default')];

/** Looks that several components of a site have: carried over, followed, and where they drift apart. */
export function sharingOf(
  files: SiteFiles,
): Pick<
  Engine,
  | 'findDrift'
  | 'settleDrift'
  | 'starterLooks'
  | 'pageUnder'
  | 'componentsOfSite'
  | 'matchLook'
  | 'takeAlong'
  | 'copyLook'
  | 'tryFinishes'
> {
  return {
    async findDrift(at, seen, onStep) {
      return inTurns(findingDrift(siteAt(at), requestAt(seen)), onStep);
    },

    async settleDrift(at, seen, drifts, onStep) {
      return inTurns(settlingDrift(siteAt(at), drifts, requestAt(seen)), onStep);
    },

    async pageUnder(at, versionId, looks) {
      const site = siteAt(at);
      const known = siteOf(at.siteId);
      const dressed = site.under(looks.map((own) => ({ ...own, look: known.resolve(own.look) }))).on(versionId);
      const entries = await finishInTurns(
        pageChecks(dressed, 'worn', { environment: environmentOf('wide'), states: PLAIN, demands: 'text' }),
        nextTurn,
        now,
      );
      const measured = entries.filter(({ check }) => check.verdict === 'passes' || check.verdict === 'short');
      return {
        css: `${files.fontCss}\n${files.localCss(dressed.css, opened(versionId).page)}`,
        measured: measured.length,
        failing: measured.filter(({ check }) => check.verdict === 'short').length,
        unsure: entries.filter(({ check }) => check.verdict === 'unsure').length,
      };
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

    async takeAlong(at, { versionId: version, kind, locator, name, before, after }, onStep) {
      const site = siteOf(at.siteId);
      const looks = { before: site.resolve(before), after: site.resolve(after) };
      const inHand = { version, place: { kind, locator }, name, ...looks };
      return inTurns(takingAlong(siteAt(at), inHand, SITE_REQUEST), onStep);
    },

    async copyLook(at, from, copying, onStep) {
      const look = siteOf(at.siteId).resolve(from.look);
      return inTurns(copyingLook(siteAt(at), { ...from, look }, SITE_REQUEST, copying), onStep);
    },

    async tryFinishes(at, finishes, onStep) {
      return inTurns(changingFinishes(siteAt(at), finishes, SITE_REQUEST), onStep);
    },
  };
}
