import {
  changingPalette,
  coloursOfSite,
  derivingDark,
  findingColour,
  findingPairs,
  parseColour,
  swappingAcross,
  type Rgba,
} from '@retoque/core';
import { inTurns, requestAt, SITE_REQUEST } from '../asking';
import type { Engine } from '../protocol';
import { siteAt } from '../sites';

const IN_DARK = requestAt({ viewport: 'wide', scheme: 'dark' });

function colourOf(css: string): Rgba {
  const colour = parseColour(css);
  if (!colour) throw new Error(`“${css}” is not a CSS colour.`);
  return colour;
}

/** The colours of a site: where they are, beside what, and what others would do. */
export function paletteOf(): Pick<
  Engine,
  'coloursOfSite' | 'findColour' | 'swapColour' | 'darkScheme' | 'tryPalette' | 'findPairs'
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
      return inTurns(
        swappingAcross(siteAt(at), { from: colourOf(css), near, to, written, only }, SITE_REQUEST),
        onStep,
      );
    },

    async darkScheme(at, onStep) {
      const site = siteAt(at);
      const { looks, ...answer } = await inTurns(derivingDark(site, IN_DARK), onStep);
      const under = site.under(looks);
      return { ...answer, css: new Map(at.versions.map((version) => [version, under.on(version).css])) };
    },

    async tryPalette(at, palette, onStep) {
      return inTurns(changingPalette(siteAt(at), palette, SITE_REQUEST), onStep);
    },

    async findPairs(at, onStep) {
      return inTurns(findingPairs(siteAt(at)), onStep);
    },
  };
}
