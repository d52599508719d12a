import { describe, expect, it } from '@jest/globals';
import { finish } from '../base/steps.js';
import { parseColour } from '../colour/parse.js';
import { DESKTOP, VIEWPORTS } from '../css/conditions/environment.js';
import { isDue } from '../ledger/due.js';
import { changeLook, EMPTY_LOOK } from '../look/model.js';
import { coloursIn, isMeant } from '../palette/in-value.js';
import { lookOf, settingOf } from '../testing/settings.js';
import { locatorFor, selectAll } from '../css/selector/locator.js';
import { coloursOfSite, findingColour } from './colour-usage.js';
import { componentsOfSite } from './effect.js';
import { handingOver } from './handover/hand-over.js';
import { changingPalette } from './changed-names.js';
import { Site } from './site.js';
import { swappingAcross, type SiteSwap } from './swap-across.js';
import { componentKey } from './worn.js';

const viewports = Object.entries(VIEWPORTS).map(([name, size]) => ({ name, environment: { ...DESKTOP, ...size } }));
const request = { viewports, at: 'wide' };
const BRAND = parseColour('#0b5563')!;

const CSS = `:root { --brand: #0b5563; --deep: var(--brand) }
  .btn { display: inline-block; padding: 9px; color: #fff; background: var(--brand) }
  .btn:hover { background: #fff; color: #0b5563; box-shadow: 0 0 4px rgb(11 85 99 / 30%) }
  nav a { color: #333; border-bottom: 2px solid transparent } nav a:hover { border-bottom-color: var(--deep) }
  .lost { color: #0b5563 } .card .btn { background: #333 } .card { background: #eee; border: 1px solid #0b5564 }
  main .card { border-color: #999 }`;
const page = (more: string) => `<!doctype html><link rel="stylesheet" href="s.css"><body>
  <nav aria-label="Main"><ul><li><a href="#1">Fares</a></li><li><a href="#2">Quays</a></li></ul></nav>
  <main><h1>Quay</h1><p style="border-left: 3px solid #0B5563">Words <a class="btn" href="#b">Book</a></p>${more}</main>`;

function siteOf(): Site {
  const site = new Site();
  const sheets = [{ address: 'https://line.invalid/s.css', text: CSS }];
  const put = (id: string, html: string) =>
    site.putPage({ version: id, pageId: id, name: id, source: { html, address: 'https://line.invalid/', sheets } });
  put('home', page(''));
  put('quay', page('<div class="card"><h2>Card</h2><p>More words</p><a class="btn" href="#c">Read on</a></div>'));
  return site;
}

/** Wears what a swap says. */
function wear(site: Site, swap: SiteSwap) {
  const { shares, effects } = finish(swappingAcross(site, swap, request));
  for (const { place, name, settings, exceptions } of shares) {
    const look = { ...changeLook(EMPTY_LOOK, settings), exceptions };
    site.wear({ id: componentKey(place), name, kind: place.kind, locator: place.locator, look });
  }
  return { shares, effects };
}

/** Elements that still show a colour in the default state or hover, by page. */
function showing(site: Site): string[] {
  return site.pages.flatMap(({ version }) =>
    componentsOfSite(site)
      .filter((own) => own.version === version || own.alsoOn.includes(version))
      .flatMap(({ place, name }) => {
        const { session, look } = site.on(version).wearing(place);
        return session
          .columnsOfParts(look)
          .flatMap(({ part, columns }) =>
            columns.flatMap((column) =>
              session
                .groupsSeenUnder(look, part.part.name, column.name)
                .flatMap(({ style }) =>
                  ['color', 'background-color', 'box-shadow', 'border-bottom-color', 'border-left-color'].flatMap(
                    (property) =>
                      coloursIn(style.text(property)).some(({ colour }) => isMeant({ from: BRAND }, colour))
                        ? [`${version} ${name} ${part.part.name} ${column.name} ${property}`]
                        : [],
                  ),
                ),
            ),
          );
      }),
  );
}

describe('one colour in place of another across a site', () => {
  it('is put everywhere, hover and lines included, and handed over as proven', () => {
    const site = siteOf();
    expect(showing(site).length).toBeGreaterThan(5);
    wear(site, { from: BRAND, to: '#8a1c1c' });
    expect(showing(site)).toEqual([]);
    const { pages, unbeatable } = finish(handingOver(site));
    expect(unbeatable).toEqual([]);
    expect(pages.flatMap(({ failures }) => failures)).toEqual([]);
    expect(pages.map(({ name }) => name)).toEqual(['home', 'quay']);
    // The card's button had another colour, and has it still.
    const [card] = selectAll(site.page('quay').tree, '.card .btn');
    expect(site.on('quay').seen.pages.at().stylesFor(DESKTOP).at().of(card!).text('background-color')).toBe(
      'rgb(51, 51, 51)',
    );
  });

  it('tells which checks change, as the ledgers have it', () => {
    const site = siteOf();
    const due = () =>
      componentsOfSite(site).reduce((sum, { place, version }) => {
        const { session, look } = site.on(version).wearing(place);
        return sum + session.ledger(look, request).filter((check) => isDue(check)).length;
      }, 0);
    const before = due();
    // White text on it cannot be read.
    const { effects } = wear(site, { from: BRAND, to: '#f4ead7' });
    const onFirst = effects.filter(({ version, place }) =>
      componentsOfSite(site).some(
        (own) => own.version === version && own.place.locator.selector === place.locator.selector,
      ),
    );
    const broken = onFirst.reduce((sum, effect) => sum + effect.broken.length - effect.mended.length, 0);
    expect(broken).toBeGreaterThan(0);
    expect(due() - before).toBe(broken);
  });

  it('is put into chosen components alone', () => {
    const site = siteOf();
    const all = finish(swappingAcross(site, { from: BRAND, to: '#8a1c1c' }, request)).shares;
    const menu = all.find(({ place }) => place.kind === 'menu')!;
    const only = new Map([[componentKey(menu.place), 'all' as const]]);
    expect(finish(swappingAcross(site, { from: BRAND, to: '#8a1c1c', only }, request)).shares).toHaveLength(1);
  });

  it('is a swatch where that is wanted, which changes all of it later', () => {
    const site = siteOf();
    const palette = (css: string) => ({
      swatches: [{ id: 'sea', name: 'Sea', css }],
      handedOverAs: 'literals' as const,
    });
    site.setPalette(palette('#8a1c1c'));
    const { shares } = wear(site, { from: BRAND, to: '#8a1c1c', written: 'swatch(sea)' });
    expect(shares.flatMap(({ settings }) => settings).every(({ value }) => !value.includes('#8a1c1c'))).toBe(true);
    const effects = finish(changingPalette(site, palette('#f4ead7'), request));
    expect(effects.flatMap(({ broken }) => broken).length).toBeGreaterThan(0);
    // Nothing is kept of the try.
    expect(finish(changingPalette(site, palette('#8a1c1c'), request))).toEqual([]);
    site.setPalette(palette('#f4ead7'));
    const [button] = selectAll(site.page('home').tree, '.btn');
    expect(site.on('home').seen.pages.at().stylesFor(DESKTOP).at().of(button!).text('background-color')).toBe(
      'rgb(244, 234, 215)',
    );
  });
});

describe('where a site has a colour', () => {
  const uses = (near = false) => finish(findingColour(siteOf(), { from: BRAND, near }));

  it('is every declaration of it, through custom properties and in style attributes too', () => {
    const found = uses().map(({ selector, property, through, reached, pages }) =>
      [selector || 'style', property, through ?? '', reached, pages.length].join(' '),
    );
    expect(found.sort()).toEqual(
      [
        ':root --brand  2 2',
        ':root --deep --brand 2 2',
        '.btn background --brand 3 2',
        '.btn:hover color  3 2',
        '.btn:hover box-shadow  3 2',
        'nav a:hover border-bottom-color --deep 4 2',
        '.lost color  0 2',
        'style border-left-color  2 2',
      ].sort(),
    );
  });

  it('is not where a rule names a state of what stands elsewhere', () => {
    const site = new Site();
    const text = 'header a:hover { color: #0b5563 } footer a { color: #222 } a:not(:hover) b { color: #0b5563 }';
    const html = `<!doctype html><link rel="stylesheet" href="s.css"><body><header><a href="#1">In <b>it</b></a></header><main><h1>A</h1></main><footer><a href="#2">Out</a></footer>`;
    const sheets = [{ address: 'https://line.invalid/s.css', text }];
    site.putPage({
      version: 'home',
      pageId: 'home',
      name: 'Home',
      source: { html, address: 'https://line.invalid/', sheets },
    });
    const found = finish(findingColour(site, { from: BRAND }));
    expect(found.map(({ selector, reached }) => `${selector} ${reached}`)).toEqual([
      'header a:hover 1',
      'a:not(:hover) b 1',
    ]);
  });

  it('marks what something else wins over, and what looks alike', () => {
    const near = uses(true).find(({ selector }) => selector === '.card')!;
    expect(near).toMatchObject({ property: 'border', isNear: true, isOverridden: true, reached: 1 });
    expect(uses().every(({ isOverridden }) => !isOverridden)).toBe(true);
    const site = siteOf();
    const button = selectAll(site.page('home').tree, '.btn')[0]!;
    expect(uses().find(({ selector }) => selector === '.btn')!.components).toContain(
      site
        .page('home')
        .components()
        .find(({ elements }) => elements.includes(button.order))!.name,
    );
  });

  it('counts the colours of a site, a sheet of several pages once', () => {
    const found = coloursOfSite(siteOf());
    expect(found.find(({ name }) => name === '--brand')).toMatchObject({ css: '#0b5563', uses: 5 });
    expect(found.find(({ css }) => css === '#999')).toMatchObject({ uses: 1 });
  });
});

describe('looks beside those that are worn', () => {
  it('leave the site as it is', () => {
    const site = siteOf();
    const [button] = selectAll(site.page('home').tree, '.btn');
    const own = lookOf(settingOf('button', 'color', 'red'));
    const worn = { id: 'a', name: 'A', kind: 'button', locator: locatorFor(button!, '.btn'), look: own };
    const under = site.under([worn]);
    expect(under.on('home').lookList()).toHaveLength(1);
    expect(site.on('home').lookList()).toHaveLength(0);
    expect(site.under(site.worn).on('home')).toBe(site.on('home'));
  });
});
