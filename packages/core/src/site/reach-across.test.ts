import { describe, expect, it } from '@jest/globals';
import { finish } from '../base/steps.js';
import { locatorFor, selectAll } from '../css/selector/locator.js';
import { Site } from './site.js';
import { reachingAcross } from './reach-across.js';

function siteOf(bodies: Readonly<Record<string, string>>): Site {
  const site = new Site();
  for (const [name, body] of Object.entries(bodies)) {
    const html = `<!doctype html><html><head><title>${name}</title></head>${body}</html>`;
    site.putPage({
      version: `${name} 1`,
      pageId: name,
      name,
      source: { html, address: 'https://line.invalid/', sheets: [] },
    });
  }
  return site;
}

const reachOf = (site: Site, kind: string, selector: string, page: string) => {
  const [element] = selectAll(site.page(`${page} 1`).tree, selector);
  const steps = reachingAcross(site, { kind, locator: locatorFor(element!, selector) }, page);
  return finish(steps).map(({ name, elements, isUnlike }) => [name, elements, isUnlike]);
};

const MENU = '<nav class="m" aria-label="Main"><a href="#1">Home</a><a href="#2">Boats</a></nav>';

describe('where a look reaches', () => {
  it('is every page on which its component stands, the one in hand first', () => {
    const site = siteOf({
      boats: `<body>${MENU}</body>`,
      home: `<body>${MENU}</body>`,
      fares: '<body><p>Nothing of it</p></body>',
    });
    expect(reachOf(site, 'menu', '.m', 'home')).toEqual([
      ['home', 1, false],
      ['boats', 1, false],
    ]);
  });

  it('is said to be unlike where there are more of it, or it is made of other parts', () => {
    const site = siteOf({
      home: `<body>${MENU}<a class="b" href="#">Go</a></body>`,
      boats: `<body><nav class="m" aria-label="Main"><a href="#1">Home</a><ul><li><a href="#2">Boats</a><ul><li><a href="#3">Old</a></li></ul></li></ul></nav></body>`,
      fares: `<body>${MENU}<a class="b" href="#">Go</a><a class="b" href="#">Stay</a></body>`,
    });
    expect(reachOf(site, 'menu', '.m', 'home')).toEqual([
      ['home', 1, false],
      ['boats', 1, true],
      ['fares', 1, false],
    ]);
    expect(reachOf(site, 'button', '.b', 'home')).toEqual([
      ['home', 1, false],
      ['fares', 2, true],
    ]);
  });

  it('is never a page that has only something much like it', () => {
    const site = siteOf({
      home: '<body><nav class="m" id="top" aria-label="Main"><a href="#1">Home</a></nav></body>',
      boats: '<body><nav class="other" aria-label="Main"><a href="#1">Home</a></nav></body>',
    });
    expect(reachOf(site, 'menu', '#top', 'home')).toEqual([['home', 1, false]]);
  });

  it('of a sign-in page is the pages that are there to sign in on, whatever their bodies are called', () => {
    const form = '<form><input name="u"><input type="password" name="p"><button>Sign in</button></form>';
    const site = siteOf({
      crew: `<body><main>${form}</main></body>`,
      home: `<body>${MENU}<main><p>Text</p></main></body>`,
      members: `<body>${MENU}<main>${form}</main></body>`,
      guests: `<body><div>${form}</div></body>`,
    });
    const found = site
      .page('crew 1')
      .components()
      .find(({ kind }) => kind === 'sign-in')!;
    const { kind, locator } = found;
    const reach = finish(reachingAcross(site, { kind, locator }, 'crew'));
    expect(reach.map(({ name, isUnlike }) => [name, isUnlike])).toEqual([
      ['crew', false],
      ['guests', true],
    ]);
  });
});
