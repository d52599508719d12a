import { describe, expect, it } from '@jest/globals';
import { finish } from '../base/steps.js';
import { DESKTOP, VIEWPORTS } from '../css/conditions/environment.js';
import { locatorFor, selectAll } from '../css/selector/locator.js';
import { isDue } from '../ledger/due.js';
import { changeLook, EMPTY_LOOK } from '../look/model.js';
import { lookOf, settingOf } from '../testing/settings.js';
import { asTold, copyingLook } from './copy-look.js';
import { handingOver } from './handover/hand-over.js';
import { Site } from './site.js';
import { componentKey, type WornLook } from './worn.js';

const viewports = Object.entries(VIEWPORTS).map(([name, size]) => ({ name, environment: { ...DESKTOP, ...size } }));
const request = { viewports, at: 'wide' };
const CSS = `.a, .b, .c { display: inline-block; padding: 9px 14px } .a { color: #fff; background: #046 }
  .b { color: #222; background: #ddd } .c { color: #000; background: #eee } .c:hover { background: #fc0 }`;
const HTML = `<!doctype html><link rel="stylesheet" href="s.css"><body><main>
  <p>One <a class="a" href="#1">Board</a></p><p>Two <a class="b" href="#2"><svg width="9" height="9"></svg> Book</a></p>
  <p>Three <a class="c" href="#3">Read</a></p></main>`;

const LOOK = lookOf(
  settingOf('button', 'color', '#ffffff'),
  settingOf('button', 'background-color', '#0b5563'),
  { ...settingOf('button', 'background-color', '#8a1c1c'), when: { states: [{ part: 'button', state: 'hover' }] } },
  { ...settingOf('button', 'color', '#999999'), when: { states: [], page: 'home' } },
  settingOf('icon', 'color', '#ffcc00'),
);

function siteOf(look = LOOK): { site: Site; from: WornLook } {
  const site = new Site();
  const sheets = [{ address: 'https://line.invalid/s.css', text: CSS }];
  const source = { html: HTML, address: 'https://line.invalid/', sheets };
  site.putPage({ version: 'home', pageId: 'home', name: 'Home', source });
  const [element] = selectAll(site.page('home').tree, '.a');
  const from = { id: 'a', name: 'Board', kind: 'button', locator: locatorFor(element!, '.a'), look };
  site.wear(from);
  return { site, from };
}

describe('a look on other components of its kind', () => {
  it('is carried whole, in every state, and says which parts have no counterpart', () => {
    const { site, from } = siteOf();
    const { shares, left } = finish(copyingLook(site, from, request));
    expect(shares.map(({ place }) => place.locator.selector).sort()).toEqual(['.b', '.c']);
    const plain = shares.find(({ place }) => place.locator.selector === '.c')!;
    expect(
      plain.settings.map(({ property, when }) => `${property} ${when.states.map(({ state }) => state).join()}`),
    ).toEqual(['color ', 'background-color ', 'background-color hover']);
    expect(plain.without).toEqual(['Icon']);
    expect(shares.find(({ place }) => place.locator.selector === '.b')!.without).toEqual([]);
    // What is for one page alone stays there.
    expect(left).toBe(1);
  });

  it('shows there what it shows here, and is handed over as proven', () => {
    const { site, from } = siteOf();
    for (const { place, name, settings } of finish(copyingLook(site, from, request)).shares)
      site.wear({ id: componentKey(place), name, ...place, look: changeLook(EMPTY_LOOK, settings) });
    for (const selector of ['.b', '.c']) {
      const { session, look } = site.on('home').wearing({
        kind: 'button',
        locator: locatorFor(selectAll(site.page('home').tree, selector)[0]!, selector),
      });
      for (const [column, ground] of [
        ['default', 'rgb(11, 85, 99)'],
        ['hover', 'rgb(138, 28, 28)'],
        ['focus', 'rgb(11, 85, 99)'],
      ] as const)
        expect(session.groupsSeenUnder(look, 'button', column)[0]!.style.text('background-color')).toBe(ground);
    }
    expect(finish(handingOver(site)).pages.flatMap(({ failures }) => failures)).toEqual([]);
  });

  it('tells which checks change, and goes to chosen ones alone', () => {
    const { site, from } = siteOf(lookOf(settingOf('button', 'color', '#cccccc')));
    const only = new Set(['button .b']);
    const { shares, effects } = finish(copyingLook(site, from, request, { only }));
    expect(shares).toHaveLength(1);
    const [share] = shares;
    const { session } = site.on('home').wearing(share!.place);
    const due = session.ledger(changeLook(EMPTY_LOOK, share!.settings), request).filter((check) => isDue(check));
    expect(effects.map(({ name }) => name)).toEqual([share!.name]);
    expect(effects[0]!.broken).toHaveLength(due.length);
    expect(due.length).toBeGreaterThan(0);
  });

  it('copies names of swatches, not the colours that they came to', () => {
    const told = lookOf(settingOf('button', 'color', 'swatch(sea)'));
    expect(asTold([settingOf('button', 'color', '#0b5563')], told).map(({ value }) => value)).toEqual(['swatch(sea)']);
  });

  it('tells what stands beside it from what is elsewhere', () => {
    const { site, from } = siteOf();
    const sheets = [{ address: 'https://line.invalid/s.css', text: `${CSS} .d { padding: 9px; background: #fed }` }];
    const html =
      '<!doctype html><link rel="stylesheet" href="s.css"><body><main><p><a class="d" href="#4">Far</a></p></main>';
    site.putPage({
      version: 'far',
      pageId: 'far',
      name: 'Far',
      source: { html, address: 'https://line.invalid/far', sheets },
    });
    const near = Object.fromEntries(
      finish(copyingLook(site, from, request)).shares.map(({ place, near: how }) => [place.locator.selector, how]),
    );
    expect(near).toMatchObject({ '.b': 'row', '.c': 'row' });
    expect(Object.values(near)).toContain('site');
  });

  it('mends what would fail there where that is asked for, and nothing else', () => {
    const { site, from } = siteOf(lookOf(settingOf('button', 'background-color', '#777777')));
    const plain = finish(copyingLook(site, from, request));
    expect(plain.effects.some(({ broken }) => broken.length)).toBe(true);
    const mended = finish(copyingLook(site, from, request, { mends: true }));
    expect(mended.effects.flatMap(({ broken }) => broken)).toEqual([]);
    const of = ({ shares }: typeof plain) =>
      new Map(shares.map((share) => [componentKey(share.place), share.settings]));
    for (const [key, settings] of of(plain))
      expect(
        of(mended)
          .get(key)!
          .filter(({ property }) => property === 'background-color')[0],
      ).toEqual(expect.objectContaining({ property: settings[0]!.property }));
  });

  it('goes to kinds that are related by what their parts are, in the states that these have', () => {
    const sheets = [{ address: 'https://line.invalid/s.css', text: 'nav a, ol a { padding: 4px; color: #00c }' }];
    const html = `<!doctype html><link rel="stylesheet" href="s.css"><body><nav aria-label="Main"><ul><li><a href="#1" aria-current="page">Fares</a></li><li><a href="#2">Piers</a></li></ul></nav><main><h1>A</h1><nav aria-label="Breadcrumb"><ol><li><a href="#a">Start</a></li><li><a href="#b">Isles</a></li></ol></nav></main>`;
    const site = new Site();
    site.putPage({
      version: 'home',
      pageId: 'home',
      name: 'Home',
      source: { html, address: 'https://line.invalid/', sheets },
    });
    const menu = site
      .page('home')
      .components()
      .find(({ kind }) => kind === 'menu')!;
    const look = lookOf(
      settingOf('link', 'color', '#123456'),
      { ...settingOf('link', 'color', '#654321'), when: { states: [{ part: 'link', state: 'hover' }] } },
      { ...settingOf('link', 'opacity', '0.9'), when: { states: [{ part: 'link', state: 'expanded' }] } },
    );
    const from = { id: 'm', name: 'Menu', kind: 'menu', locator: menu.locator, look };
    site.wear(from);
    const { shares } = finish(copyingLook(site, from, request));
    const crumbs = shares.find(({ place }) => place.kind === 'breadcrumb')!;
    expect(crumbs).toMatchObject({ isRelated: true });
    expect(crumbs.settings.map(({ property, value }) => `${property} ${value}`)).toEqual([
      'color #123456',
      'color #654321',
    ]);
    site.wear({ id: 'c', name: 'Crumbs', ...crumbs.place, look: changeLook(EMPTY_LOOK, crumbs.settings) });
    const { session, look: worn } = site.on('home').wearing(crumbs.place);
    const part = crumbs.settings[0]!.part;
    expect(session.seenUnder(worn, part, 'hover').style.computed('color')).toBe('rgb(101, 67, 33)');
    expect(session.handover(worn).proof.failures).toEqual([]);
  });
});
