import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { finish } from '../base/steps.js';
import { DESKTOP, VIEWPORTS } from '../css/conditions/environment.js';
import { changeLook, EMPTY_LOOK, type Look } from '../look/model.js';
import { comparingChecks, componentsOfSite, wearOther } from './effect.js';
import { Site } from './site.js';
import { takingAlong } from './take-along.js';
import type { WornLook } from './worn.js';

// A change of one look that makes what stands on it unreadable says so, and brings what mends it.

const viewports = Object.entries(VIEWPORTS).map(([name, size]) => ({ name, environment: { ...DESKTOP, ...size } }));
const request = { viewports, at: 'wide' };
const CSS = `body { font: 16px/1.5 sans-serif; background: #fff; color: #222 }
  .box { border: 1px solid #888; padding: 20px; background: #fff } .box h3, .box p { color: #222 }
  .pages a { color: #06415a } .pages a:hover { color: #000 }`;
const PAGES = '<div class="pages"><a href="#1">1</a> <a href="#2">2</a> <a href="#3">3</a></div>';
const BOX = `<article class="box"><h3>Isles</h3><p>Fifty minutes</p>${PAGES}</article>`;
const BODY = `<main><h1>Quay</h1><div class="row">${BOX}${BOX}</div></main>`;

function siteOf(pages = ['home', 'quay']): Site {
  const site = new Site();
  const sheets = [{ address: 'https://line.invalid/s.css', text: CSS }];
  for (const id of pages) {
    const html = `<!doctype html><link rel="stylesheet" href="s.css"><body>${BODY}`;
    site.putPage({ version: id, pageId: id, name: id, source: { html, address: 'https://line.invalid/', sheets } });
  }
  return site;
}
const ground = (value: string, property = 'background-color'): Look =>
  changeLook(EMPTY_LOOK, [{ part: 'card', property, value, when: { states: [] } }]);
const cardOf = (site: Site) => componentsOfSite(site).find(({ place }) => place.kind === 'card')!;
const along = (site: Site, after: Look) =>
  finish(
    takingAlong(
      site.at(site.pages.map(({ version }) => version)),
      { ...cardOf(site), before: EMPTY_LOOK, after },
      request,
    ),
  );

describe('what a change of one look asks of others', () => {
  it('is nothing where they are read as before', () => {
    expect(along(siteOf(), ground('#fafafa'))).toEqual({ broken: [], shares: [], left: [] });
    expect(along(siteOf(), ground('9px', 'padding-top'))).toEqual({ broken: [], shares: [], left: [] });
  });

  it('is told by component and page, and mended with it', () => {
    const site = siteOf();
    const { broken, shares, left } = along(site, ground('#1d2b30'));
    expect(new Set(broken.map(({ place }) => place.kind))).toEqual(new Set(['pagination', 'card']));
    // Where it is in hand its own checks are seen anyway.
    const own = broken.filter(({ place }) => place.kind === 'card');
    expect(own.map(({ version }) => version)).toEqual(['quay']);
    expect(new Set(broken.map(({ version }) => version))).toEqual(new Set(['home', 'quay']));
    expect(shares.map(({ place }) => place.kind)).toEqual(['pagination']);
    expect(left.every(({ place }) => place.kind === 'card')).toBe(true);
  });

  it('leaves nothing short that passed before, but what it names, whatever the ground', () => {
    const channel = fc.integer({ min: 0, max: 15 }).map((n) => (n * 17).toString(16).padStart(2, '0'));
    fc.assert(
      fc.property(channel, channel, channel, (r, g, b) => {
        const site = siteOf(['home']);
        const card = cardOf(site);
        const after = ground(`#${r}${g}${b}`);
        const { shares, left } = along(site, after);
        const looks: WornLook[] = [];
        wearOther(looks, card, after);
        for (const share of shares) wearOther(looks, share, changeLook(EMPTY_LOOK, share.settings));
        const is = site.under(looks);
        const broken = finish(comparingChecks(site.under([]), is, request)).filter(
          (effect) => effect.broken.length && effect.place.kind !== 'card',
        );
        expect(broken.map(({ place }) => place.kind)).toEqual(left.map(({ place }) => place.kind));
      }),
      { numRuns: 6 },
    );
  });
});
