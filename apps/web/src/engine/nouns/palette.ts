import {
  changingFinishes,
  changingPalette,
  coloursOfSite,
  copyingLook,
  derivingDark,
  findingColour,
  findingDrift,
  findingPairs,
  finishInTurns,
  parseColour,
  settlingDrift,
  swappingAcross,
  type Rgba,
  type Steps,
} from '@retoque/core';
import { ledgerRequest, now, telling } from '../asking';
import type { Engine, OnStep, SitePages } from '../protocol';
import { siteOf } from '../sites';

const siteAt = ({ siteId, versions }: SitePages) => siteOf(siteId).at(versions);

const REQUEST = { ...ledgerRequest({ place: {}, added: [], measured: 0 }), at: 'wide' };
const IN_DARK = { ...ledgerRequest({ place: { scheme: 'dark' }, added: [], measured: 0 }), at: 'wide' };

function colourOf(css: string): Rgba {
  const colour = parseColour(css);
  if (!colour) throw new Error(`“${css}” is not a CSS colour.`);
  return colour;
}

/** What is asked meanwhile has its turn after each step. */
const inTurns = <T>(steps: Steps<T>, onStep: OnStep): Promise<T> => finishInTurns(steps, telling(onStep), now, 0);

/** The colours of a site: where they are, beside what, and what others would do. */
export function paletteOf(): Pick<
  Engine,
  | 'coloursOfSite'
  | 'findColour'
  | 'swapColour'
  | 'darkScheme'
  | 'findDrift'
  | 'settleDrift'
  | 'copyLook'
  | 'tryFinishes'
  | 'tryPalette'
  | 'findPairs'
> {
  return {
    async coloursOfSite(at) {
      return coloursOfSite(siteAt(at));
    },

    async findColour(at, { css, near }, onStep) {
      return inTurns(findingColour(siteAt(at), { from: colourOf(css), near }), onStep);
    },

    async swapColour(at, { css, near, to, written, only }, onStep) {
      colourOf(to);
      return inTurns(swappingAcross(siteAt(at), { from: colourOf(css), near, to, written, only }, REQUEST), onStep);
    },

    async darkScheme(at, onStep) {
      const site = siteAt(at);
      const { looks, ...answer } = await inTurns(derivingDark(site, IN_DARK), onStep);
      const under = site.under(looks);
      return { ...answer, css: new Map(at.versions.map((version) => [version, under.on(version).css])) };
    },

    async findDrift(at, onStep) {
      return inTurns(findingDrift(siteAt(at), REQUEST), onStep);
    },

    async settleDrift(at, drifts, onStep) {
      return inTurns(settlingDrift(siteAt(at), drifts, REQUEST), onStep);
    },

    async copyLook(at, from, only, onStep) {
      const look = siteOf(at.siteId).resolve(from.look);
      return inTurns(copyingLook(siteAt(at), { ...from, look }, REQUEST, only), onStep);
    },

    async tryFinishes(at, finishes, onStep) {
      return inTurns(changingFinishes(siteAt(at), finishes, REQUEST), onStep);
    },

    async tryPalette(at, palette, onStep) {
      return inTurns(changingPalette(siteAt(at), palette, REQUEST), onStep);
    },

    async findPairs(at, onStep) {
      return inTurns(findingPairs(siteAt(at)), onStep);
    },
  };
}
