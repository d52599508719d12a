import { describe, expect, it } from '@jest/globals';
import { finish } from '../base/steps.js';
import { DESKTOP, VIEWPORTS } from '../css/conditions/environment.js';
import { changeLook, EMPTY_LOOK } from '../look/model.js';
import { componentsOfSite } from './effect.js';
import { matchingLook, type PartPairs } from './match-look.js';
import { Site } from './site.js';
import { componentKey } from './worn.js';

const viewports = Object.entries(VIEWPORTS).map(([name, size]) => ({ name, environment: { ...DESKTOP, ...size } }));
const request = { viewports, at: 'wide' };

const CSS = `body { font: 16px/1.5 sans-serif } .go { display: inline-block; padding: 9px 16px; background: #0b5563; color: #fff; border-radius: 5px; font-weight: 600 }
  .go:hover { background: #063a44 } .go:focus-visible { outline: 3px solid #000 } .go:active { background: #000 }
  nav { background: #eee } nav a { color: #333; padding: 4px } nav a[aria-current] { text-decoration: underline }
  .flat { display: inline-block; padding: 4px 8px; border: 2px solid #0b5563; color: #0b5563 }`;

function siteOf(): Site {
  const site = new Site();
  const sheets = [{ address: 'https://line.invalid/s.css', text: CSS }];
  const put = (id: string, body: string) => {
    const html = `<!doctype html><link rel="stylesheet" href="s.css"><body>${body}`;
    site.putPage({ version: id, pageId: id, name: id, source: { html, address: 'https://line.invalid/', sheets } });
  };
  put('home', '<main><h1>Quay</h1><p>Words <a class="go" href="#b">Book</a></p></main>');
  put(
    'quay',
    '<nav aria-label="Main"><ul><li><a href="#1" aria-current="page">Fares</a></li><li><a href="#2">Quays</a></li></ul></nav><main><h1>Quay</h1><p>Or <a class="flat" href="#f">Wait</a></p></main>',
  );
  return site;
}
const placed = (site: Site, kind: string, name?: string) =>
  componentsOfSite(site).find((own) => own.place.kind === kind && (name === undefined || own.name === name))!;

function matched(site: Site, from: ReturnType<typeof placed>, to: ReturnType<typeof placed>, pairs?: PartPairs) {
  const answer = finish(matchingLook(site, { from, to, pairs }, request));
  const look = { ...changeLook(EMPTY_LOOK, answer.settings), exceptions: answer.exceptions };
  site.wear({ id: componentKey(to.place), name: to.name, kind: to.place.kind, locator: to.place.locator, look });
  const { session, look: worn } = site.on(to.version).wearing(to.place);
  const shown = (part: string, column: string, property: string) => [
    ...new Set(session.groupsSeenUnder(worn, part, column).map(({ style }) => style.text(property))),
  ];
  return { answer, shown };
}

describe('the look of one thing on another', () => {
  it('is carried in every state, from a button to the links of a menu on another page', () => {
    const site = siteOf();
    const { answer, shown } = matched(site, placed(site, 'button', 'Book'), placed(site, 'menu'));
    expect([answer.pairs['link'], answer.pairs['bar']]).toEqual(['button', null]);
    expect(shown('link', 'default', 'background-color')).toEqual(['rgb(11, 85, 99)']);
    expect(shown('link', 'default', 'font-weight')).toEqual(['600']);
    expect(shown('link', 'default', 'padding-left')).toEqual(['16px']);
    expect(shown('link', 'hover', 'background-color')).toEqual(['rgb(6, 58, 68)']);
    expect(shown('link', 'pressed', 'background-color')).toEqual(['rgb(0, 0, 0)']);
    expect(shown('link', 'focus', 'outline-width')).toEqual(['3px']);
    // What no part gives keeps its own.
    expect(shown('bar', 'default', 'background-color')).toEqual(['rgb(238, 238, 238)']);
    expect(answer.settings.some(({ property }) => ['width', 'display', 'margin-left'].includes(property))).toBe(false);
  });

  it('says what is as it is seen and no more: a value that is there already is not said', () => {
    const site = siteOf();
    const { answer, shown } = matched(site, placed(site, 'button', 'Book'), placed(site, 'button', 'Wait'));
    expect(answer.settings.every(({ property }) => property !== 'font-size')).toBe(true);
    expect(shown('button', 'default', 'border-top-width')).toEqual(['0px']);
    expect(shown('button', 'hover', 'background-color')).toEqual(['rgb(6, 58, 68)']);
    const again = finish(
      matchingLook(site, { from: placed(site, 'button', 'Book'), to: placed(site, 'button', 'Wait') }, request),
    );
    expect(again.settings).toEqual([]);
  });

  it('follows who says which part has its look from which', () => {
    const site = siteOf();
    const { shown } = matched(site, placed(site, 'button', 'Book'), placed(site, 'menu'), { bar: 'button' });
    expect(shown('bar', 'default', 'background-color')).toEqual(['rgb(11, 85, 99)']);
    expect(shown('link', 'default', 'background-color')).toEqual(['rgba(0, 0, 0, 0)']);
  });

  it('tells which checks change', () => {
    const site = siteOf();
    const { effects } = finish(
      matchingLook(
        site,
        { from: placed(site, 'button', 'Book'), to: placed(site, 'menu'), pairs: { bar: 'button' } },
        request,
      ),
    );
    // Dark letters on that ground.
    expect(effects.flatMap(({ broken }) => broken.map(({ part }) => part))).toContain('link');
  });
});
