import { describe, expect, it } from '@jest/globals';
import {
  DEFAULT_BOUNDS,
  EMPTY_LOOK,
  locatorFor,
  selectAll,
  type Look,
  type PageSession,
  type WornLook,
} from '@retoque/core';
import type { ComponentRef, EnginePage } from './protocol';
import { asWorn, keepSource, missingOf, opened, pagesNow, sessionOf, wear } from './sites';

const HTML = `<!doctype html><title>Line</title><header><nav aria-label="Main menu"><ul>
<li><a href="#1">One</a></li><li><a href="#2">Two</a></li><li><a class="btn" href="#b">Book</a></li></ul></nav></header>
<main><p><a class="btn" href="#c">Board</a></p><p><button class="alone">Send</button></p></main>`;

let pages = 0;
function openPage(): { versionId: string; session: PageSession } {
  const versionId = `page ${++pages}`;
  keepSource({
    siteId: `site of ${versionId}`,
    pageId: versionId,
    name: 'Line',
    id: versionId,
    html: HTML,
    address: 'http://line.invalid/',
    sheets: [],
    assets: [],
    changes: [],
  } satisfies EnginePage);
  return { versionId, session: opened(versionId).session };
}

const locator = ({ tree }: PageSession, selector: string) => locatorFor(selectAll(tree, selector)[0]!, selector);

const coloured = (value: string): Look => ({
  ...EMPTY_LOOK,
  settings: [{ part: 'button', property: 'color', value, when: { states: [] } }],
});

const REST = { bounds: DEFAULT_BOUNDS, palette: { swatches: [], handedOverAs: 'literals' as const }, finishes: [] };

/** The menu, while the site wears these looks and no others. */
function menuWith(versionId: string, session: PageSession, looks: readonly WornLook[]): ComponentRef {
  wear(`site of ${versionId}`, { ...REST, looks, order: looks.map(({ id }) => id) });
  const menu = session.components().find(({ kind }) => kind === 'menu')!;
  return { versionId, pageId: 'p', kind: 'menu', locator: menu.locator, parts: {}, worn: '' };
}

describe('components in the worker', () => {
  const button = (session: PageSession, selector: string, look: Look): WornLook => ({
    id: selector,
    kind: 'button',
    name: selector,
    locator: locator(session, selector),
    look,
  });

  it('stay the same while looks change that do not reach into them', () => {
    const { versionId, session } = openPage();
    const under = (look: Look) => sessionOf(menuWith(versionId, session, [button(session, '.alone', look)]));
    const first = under(EMPTY_LOOK);
    expect(under(coloured('#112233'))).toBe(first);
    expect(under(coloured('#445566'))).toBe(first);
    expect(first.wider).toBe('');
  });

  it('are made anew under a look that reaches wider and into them, and are the same again under the same', () => {
    const { versionId, session } = openPage();
    const under = (look: Look) => sessionOf(menuWith(versionId, session, [button(session, '.btn', look)]));
    const [plain, dark, light] = [under(EMPTY_LOOK), under(coloured('#112233')), under(coloured('#ddeeff'))];
    expect(plain.wider).toBe('');
    expect(dark.wider).toContain('#112233');
    expect(light.wider).toContain('#ddeeff');
    expect(new Set([plain, dark, light]).size).toBe(3);
    expect(under(coloured('#112233'))).toBe(dark);
  });

  it('are those of their page alone', () => {
    const [a, b] = [openPage(), openPage()];
    expect(sessionOf(menuWith(a.versionId, a.session, []))).not.toBe(sessionOf(menuWith(b.versionId, b.session, [])));
    expect(() => sessionOf(menuWith('never seen', a.session, []))).toThrow('This page is not open yet.');
  });

  it('are told of one look at a time, and forget what is worn no more', () => {
    const { versionId, session } = openPage();
    const site = `site of ${versionId}`;
    const looks = [button(session, '.btn', coloured('#112233')), button(session, '.alone', coloured('#445566'))];
    const order = looks.map(({ id }) => id);
    wear(site, { ...REST, looks, order });
    wear(site, { ...REST, looks: [button(session, '.btn', coloured('#778899'))], order });
    const colours = () => pagesNow(versionId).worn.map(({ look }) => look.settings[0]!.value);
    expect(colours()).toEqual(['#778899', '#445566']);
    wear(site, { ...REST, looks: [], order: ['.alone'] });
    expect(colours()).toEqual(['#445566']);
  });

  it('are told of a palette, and wear its colours', () => {
    const { versionId, session } = openPage();
    const site = `site of ${versionId}`;
    const look = coloured('swatch(sea)');
    wear(site, { ...REST, looks: [button(session, '.btn', look)], order: ['.btn'] });
    const worn = () => pagesNow(versionId).worn.flatMap(({ look: own }) => own.settings.map(({ value }) => value));
    expect(worn()).toEqual([]);
    const palette = { swatches: [{ id: 'sea', name: 'Sea', css: '#0b5563' }], handedOverAs: 'literals' as const };
    wear(site, { ...REST, palette, looks: [], order: ['.btn'] });
    expect(worn()).toEqual(['#0b5563']);
    const ref = { versionId, pageId: 'p', kind: 'button', locator: {} as never, parts: {}, worn: '' };
    expect(asWorn(ref, look).settings[0]!.value).toBe('#0b5563');
    expect(missingOf(ref, look)).toEqual([]);
    expect(missingOf(ref, coloured('swatch(gone)'))).toEqual(['swatch(gone)']);
  });
});
