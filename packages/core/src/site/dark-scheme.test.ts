import { describe, expect, it } from '@jest/globals';
import { finish } from '../base/steps.js';
import { luminance } from '../colour/contrast.js';
import { parseColour } from '../colour/parse.js';
import { DESKTOP, VIEWPORTS, type Environment } from '../css/conditions/environment.js';
import { checkKey, isDue } from '../ledger/due.js';
import { componentsOfSite } from './effect.js';
import { handingOver } from './handover/hand-over.js';
import { derivingDark } from './dark-scheme.js';
import { Site, type SiteUnder } from './site.js';

const dark: Environment = { ...DESKTOP, scheme: 'dark' };
const viewports = Object.entries(VIEWPORTS).map(([name, size]) => ({ name, environment: { ...dark, ...size } }));
const request = { viewports, at: 'wide', place: { scheme: 'dark' as const } };

const CSS = `body { color: #14323a; font: 16px/1.4 sans-serif } a { color: #0b5563 }
  .btn { display: inline-block; padding: 9px; color: #fff; background: #0b5563 } .btn:hover { background: #eee; color: #0b5563 }
  nav { background: #0b5563 } nav a { color: #fff } nav a:hover { background: rgb(255 255 255 / 15%) }
  .card { background: #f4f6f4; border: 1px solid #d0d5d0; color: #555 } .card:hover { background: rgb(0 0 0 / 5%) }
  .badge { background: #ffd54a; padding: 2px }`;
const page = (more: string) => `<!doctype html><link rel="stylesheet" href="s.css"><body>
  <nav aria-label="Main"><ul><li><a href="#1">Fares</a></li><li><a href="#2">Quays</a></li></ul></nav>
  <main><h1>Quay</h1><p>Words <a href="#w">and a link</a> <a class="btn" href="#b">Book</a></p>${more}</main>`;
const CARD =
  '<div class="card"><span class="badge">New</span><h2>Card</h2><p>More</p><a class="btn" href="#c">Read on</a></div>';

function siteOf(css = CSS): Site {
  const site = new Site();
  const sheets = [{ address: 'https://line.invalid/s.css', text: css }];
  const put = (id: string, html: string) =>
    site.putPage({ version: id, pageId: id, name: id, source: { html, address: 'https://line.invalid/', sheets } });
  put('home', page(''));
  put('quay', page(CARD));
  return site;
}

/** What each element of a page shows under some looks, in an environment. */
function shown(site: SiteUnder, version: string, environment: Environment): Map<string, Record<string, string>> {
  const view = site.on(version).seen.pages.at().stylesFor(environment).at();
  return new Map(
    site.on(version).page.tree.elements.map((element) => {
      const style = view.of(element);
      const values = ['color', 'background-color', 'border-top-color', 'background-image'].map(
        (property) => [property, style.text(property)] as const,
      );
      return [`${element.order} ${element.name}.${element.classes.join('.')}`, Object.fromEntries(values)] as const;
    }),
  );
}

describe('a dark scheme for a site', () => {
  const site = siteOf();
  const derived = finish(derivingDark(site, request));
  const under = site.under(derived.looks);

  it('leaves the light one as it is', () => {
    for (const { version } of site.pages)
      expect(shown(under, version, DESKTOP)).toEqual(shown(site.under([]), version, DESKTOP));
  });

  it('makes light grounds dark, and leaves what is dark or vivid', () => {
    const now = shown(under, 'quay', dark);
    const groundOf = (name: string) => [...now].find(([key]) => key.endsWith(name))![1]['background-color']!;
    const light = (text: string) => luminance(parseColour(text)!);
    expect(light(groundOf('body.'))).toBeLessThan(0.04);
    expect(light(groundOf('div.card'))).toBeLessThan(0.06);
    expect(groundOf('nav.')).toBe('rgb(11, 85, 99)');
    expect(groundOf('span.badge')).toBe('rgb(255, 213, 74)');
  });

  it('lets text be read on every ground, and says of each check that passed whether it does not any more', () => {
    const failing = derived.effects.flatMap(({ version, broken }) =>
      broken.map((check) => `${version} ${checkKey(check)}`),
    );
    for (const { place, version, alsoOn } of componentsOfSite(site)) {
      for (const on of [version, ...alsoOn]) {
        const [was, is] = [site.on(on), under.on(on)].map((dressed) => {
          const { session, look } = dressed.wearing(place);
          return session.ledger(look, request).filter((check) => isDue(check));
        });
        const before = new Set(was!.map(checkKey));
        for (const check of is!)
          if (!before.has(checkKey(check))) expect(failing).toContain(`${on} ${checkKey(check)}`);
      }
    }
    expect(failing).toEqual([]);
  });

  it('is handed over for those alone who prefer it, and proven', () => {
    for (const { id, look, ...worn } of derived.looks) site.wear({ ...worn, id, look });
    const { files, pages, unbeatable } = finish(handingOver(site));
    const css = files.map(({ text }) => text).join('\n');
    expect(css.match(/@media[^{]*/g)?.every((media) => media.includes('prefers-color-scheme: dark'))).toBe(true);
    expect(unbeatable).toEqual([]);
    expect(pages.flatMap(({ failures }) => failures)).toEqual([]);
  });

  it('has what the browser draws itself drawn for the dark (CSS Color Adjustment 1, section 2.2)', () => {
    for (const { version } of site.pages) {
      const schemes = under.on(version).seen.pages.at();
      const root = under.on(version).page.tree.elements.find(({ name }) => name === 'html')!;
      expect(schemes.stylesFor(dark).at().of(root).computed('color-scheme')).toBe('dark');
      expect(schemes.stylesFor(DESKTOP).at().of(root).computed('color-scheme')).toBe('normal');
    }
    const drawnRoot = siteOf(`html { background: #fbf7ef } ${CSS}`);
    const { looks } = finish(derivingDark(drawnRoot, request));
    const ground = shown(drawnRoot.under(looks), 'home', dark).get('0 html.')!['background-color']!;
    expect(luminance(parseColour(ground)!)).toBeLessThan(0.04);
    // What has one already keeps it.
    const both = siteOf(`:root { color-scheme: light dark } ${CSS}`);
    const said = finish(derivingDark(both, request)).shares.flatMap(({ settings }) => settings);
    expect(said.length).toBeGreaterThan(0);
    expect(said.filter(({ property }) => property === 'color-scheme')).toEqual([]);
  });

  it.each([
    [
      'keeps the words of a mark within a text, which is a part of its own',
      '<p>More <span class="badge">New</span></p>',
      [],
    ],
    [
      'says which check it cannot keep: words within a drawing have no part to set a colour on',
      '<svg viewBox="0 0 90 20" width="90" height="20"><text y="15" fill="#333">Zone</text></svg>',
      ['Zone'],
    ],
  ])('%s', (_name, inner, broken) => {
    const own = siteOf();
    const html = page(`<div class="card"><h2>Card</h2>${inner}</div>`);
    const sheets = [{ address: 'https://line.invalid/s.css', text: CSS }];
    own.putPage({
      version: 'mark',
      pageId: 'mark',
      name: 'mark',
      source: { html, address: 'https://line.invalid/', sheets },
    });
    const { effects } = finish(derivingDark(own, request));
    const texts = effects.flatMap(({ broken: checks }) => checks.map(({ worstText }) => worstText));
    expect([...new Set(texts)]).toEqual(broken);
  });

  it('has nothing to do where everything is dark already', () => {
    const night = 'html { background: #101416 } * { color: #eee }';
    expect(finish(derivingDark(siteOf(night), request)).shares).toEqual([]);
  });
});
