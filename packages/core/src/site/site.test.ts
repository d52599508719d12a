import { describe, expect, it } from '@jest/globals';
import { DESKTOP } from '../css/conditions/environment.js';
import { readState } from '../css/selector/named-states.js';
import { EMPTY_LOOK, type Look } from '../look/model.js';
import { lookOf, settingOf } from '../testing/settings.js';
import { locatorFor, selectAll } from '../css/selector/locator.js';
import { geometryOf } from '../page/geometry.js';
import { finish } from '../base/steps.js';
import { conflictsOn } from './conflicts.js';
import { pageChecks, siteChecks } from './ledger.js';
import { Site, UnknownPageError } from './site.js';
import type { WornLook } from './worn.js';

const CSS =
  '.btn { color: #fff; background: #046 } .cookies { background: #123 } .hero { color: #eee; background: #fff }';
const HTML =
  '<main class="hero"><p>Words <a class="btn" href="#a">Book</a></p></main><section class="cookies" aria-label="Cookies"><button class="btn accept">Yes</button></section>';

function siteWith(...names: string[]): Site {
  const site = new Site();
  for (const name of names) {
    site.putPage({
      version: name,
      pageId: name,
      name,
      source: {
        html: `<!doctype html><html><head><title>${name}</title><link rel="stylesheet" href="s.css"></head><body>${HTML}</body></html>`,
        address: 'https://line.invalid/',
        sheets: [{ address: 'https://line.invalid/s.css', text: CSS }],
      },
    });
  }
  return site;
}

const worn = (site: Site, kind: string, selector: string, own: Look): WornLook => ({
  id: `${kind} ${selector}`,
  name: selector,
  kind,
  locator: locatorFor(selectAll(site.page(site.pages[0]!.version).tree, selector)[0]!, selector),
  look: own,
});
const place = ({ kind, locator }: WornLook) => ({ kind, locator });
const css = (site: Site, own: WornLook, version = 'home') => site.on(version).component(place(own)).wider;

describe('looks that lie over each other', () => {
  const site = siteWith('home');
  const button = worn(site, 'button', '.btn', lookOf(settingOf('button', 'color', '#eeeeee')));
  const notice = worn(site, 'cookie-notice', '.cookies', lookOf(settingOf('accept', 'color', '#dddddd')));

  it('are ordered by how wide they reach, in whichever order they were made', () => {
    for (const order of [
      [button, notice],
      [notice, button],
    ]) {
      site.keepOnly([]);
      order.forEach((own) => site.wear(own));
      expect(
        site
          .on('home')
          .lookList()
          .map((own) => own.worn.id),
      ).toEqual([button.id, notice.id]);
      // The contained one is seen over the wide one, and not the other way round.
      expect(css(site, notice)).toContain('#eeeeee');
      expect(css(site, button)).toBe('');
      expect(conflictsOn(site.on('home'))).toMatchObject([
        { over: notice.id, under: button.id, part: 'accept', property: 'color', elements: 1 },
      ]);
    }
  });

  it('have no say where they say nothing, and are told apart by what they say', () => {
    site.keepOnly([]);
    site.wear(button);
    const before = site.on('home').component(place(notice));
    site.wear({ ...button, look: EMPTY_LOOK });
    expect(css(site, notice)).toBe('');
    site.wear(button);
    expect(site.on('home').component(place(notice)) === before).toBe(true);
  });

  it('of what stands around a component are what it is seen on', () => {
    site.keepOnly([]);
    const hero = worn(site, 'card', '.hero', lookOf(settingOf('card', 'background-color', '#101010')));
    site.wear(hero);
    const text = finish(pageChecks(site.on('home'), 'worn', { environment: DESKTOP, states: [readState('default')] }));
    const words = text.find((entry) => entry.text.startsWith('Words'));
    expect(words!.check).toMatchObject({ verdict: 'passes' });
    const bare = finish(pageChecks(site.on('home'), 'none', { environment: DESKTOP, states: [readState('default')] }));
    expect(bare.find((entry) => entry.text.startsWith('Words'))!.check.verdict).toBe('short');
  });
});

describe('a component that is not on a page', () => {
  it('is not what is much like it there, unless it was kept on that page and has moved since', () => {
    const site = siteWith('home', 'quay');
    const own = worn(site, 'button', '.btn', lookOf(settingOf('button', 'color', '#eeeeee')));
    const renamed = { ...own, locator: { ...own.locator, selector: '.btn.fare' } };
    site.wear({ ...renamed, pageId: 'quay' });
    expect(site.on('home').lookList()).toEqual([]);
    expect(
      site
        .on('quay')
        .lookList()
        .map(({ placed }) => placed.located.outcome),
    ).toEqual(['moved']);
  });
});

describe('a look that moves boxes', () => {
  it('lets nothing count that was measured before, unless the page is measured anew', () => {
    const site = siteWith('home');
    const { tree, measures } = site.page('home');
    measures.setGeometry(
      geometryOf(
        DESKTOP,
        tree.elements.map(({ order }) => ({ order, box: [order, 0, 400, 100], lines: [] })),
      ),
    );
    const basis = () => {
      const entries = finish(pageChecks(site.on('home'), 'worn', { states: [readState('default')] }));
      return new Set(entries.map(({ check }) => check.basis));
    };
    expect(basis()).toEqual(new Set(['geometry']));
    site.wear(worn(site, 'button', '.btn', lookOf(settingOf('button', 'color', '#eee'))));
    expect(basis()).toEqual(new Set(['geometry']));
    site.wear(worn(site, 'button', '.btn', lookOf(settingOf('button', 'padding-left', '40px'))));
    expect(basis()).toEqual(new Set(['ancestors']));
  });
});

describe('a site', () => {
  it('checks its pages one after the other, and can be left and taken up again', () => {
    const site = siteWith('home', 'quay', 'boats');
    const options = { environment: DESKTOP, states: [readState('default')] };
    const all: string[] = [];
    const steps = siteChecks(site, 'none', options, ({ page, entries }) => all.push(`${page.name} ${entries.length}`));
    let done = 0;
    for (let step = steps.next(); !step.done; step = steps.next()) {
      expect(step.value.done).toBeGreaterThanOrEqual(done);
      done = step.value.done;
    }
    expect(done).toBe(3);
    expect(all.map((text) => text.split(' ')[0])).toEqual(['home', 'quay', 'boats']);
    const rest: string[] = [];
    finish(siteChecks(site, 'none', options, ({ page, entries }) => rest.push(`${page.name} ${entries.length}`), 2));
    expect(rest).toEqual(all.slice(2));
  });

  it('keeps few pages parsed, and parses them again as they are asked for', () => {
    const names = Array.from({ length: 20 }, (_, i) => `page ${i}`);
    const site = siteWith(...names);
    const first = site.page('page 0');
    names.forEach((name) => site.page(name));
    expect(site.page('page 0') === first).toBe(false);
    expect(site.page('page 0').measures === first.measures).toBe(true);
    site.removePage('page 3');
    expect(() => site.on('page 3')).toThrow(UnknownPageError);
  });

  it('under some of its looks alone shares its pages, and nothing that the others say', () => {
    const site = siteWith('home');
    const one = worn(site, 'button', '.btn', lookOf(settingOf('button', 'color', '#eeeeee')));
    const other = worn(site, 'cookie-notice', '.cookies', lookOf(settingOf('panel', 'color', '#dddddd')));
    site.wear(one);
    site.wear(other);
    const few = site.only(new Set([other.id]));
    expect(few.on('home').page === site.page('home')).toBe(true);
    expect(
      few
        .on('home')
        .lookList()
        .map((own) => own.worn.id),
    ).toEqual([other.id]);
    expect(site.only(new Set([one.id, other.id])).on('home') === site.on('home')).toBe(true);
  });

  it('has looks with what they name in its place', () => {
    const site = siteWith('home');
    const own = worn(site, 'button', '.btn', lookOf(settingOf('button', 'color', 'swatch(sea)')));
    site.wear(own);
    expect(site.worn[0]!.look.settings).toEqual([]);
    site.setPalette({ swatches: [{ id: 'sea', name: 'Sea', css: '#0b5563' }], handedOverAs: 'literals' });
    expect(site.worn[0]!.look.settings[0]!.value).toBe('#0b5563');
    expect(site.resolve(own.look)).toBe(site.worn[0]!.look);
  });
});

describe('what a frame shows of other looks', () => {
  const site = siteWith('home');
  const button = worn(site, 'button', '.btn', lookOf(settingOf('button', 'color', '#eeeeee')));
  const notice = worn(site, 'cookie-notice', '.cookies', lookOf(settingOf('accept', 'color', '#dddddd')));
  site.wear(button);
  site.wear(notice);
  const css = (own: WornLook, alone = false) => {
    const page = site.on('home');
    const among = alone ? {} : page.around(place(own));
    const rules = page.component(place(own)).frameRules(own.look, {}, among);
    return rules.map((frame) => frame.rules.map((rule) => rule.css).join('\n'));
  };

  it('is all of them, in the order in which they lie over each other', () => {
    const ofButton = css(button);
    expect(ofButton.at(-1)).toContain('#dddddd');
    expect(ofButton.slice(0, -1).join()).toContain('#eeeeee');
    const ofNotice = css(notice);
    expect(ofNotice[0]).toContain('#eeeeee');
    expect(ofNotice.slice(1).join()).toContain('#dddddd');
    expect(ofNotice.slice(1).join()).not.toContain('#eeeeee');
  });

  it('is its own alone where that is asked for', () => {
    expect(css(button, true).join()).not.toContain('#dddddd');
    expect(css(notice, true).join()).not.toContain('#eeeeee');
  });
});
