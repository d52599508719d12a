import { describe, expect, it } from '@jest/globals';
import { finish } from '../../base/steps.js';
import { DESKTOP } from '../../css/conditions/environment.js';
import { locatorFor, selectAll } from '../../css/selector/locator.js';
import { asLastSheet } from '../../handover/index.js';
import { changeLook, EMPTY_LOOK, statesOf } from '../../look/model.js';
import { Site } from '../site.js';
import { handingOver } from './hand-over.js';
import { cssFor } from './one-block.js';

// One menu on three pages, each of which says in another way which item is the current one.
const CSS =
  'nav.m a { color: #003; padding: 4px } nav.m .page-current { color: #900 } nav.m [aria-current] { color: #090 }';
const PAGES = {
  home: '<nav class="m" aria-label="Main menu"><a class="page-current" href="#1">Home</a><a href="#2">Boats</a><a href="#3">Fares</a></nav>',
  boats:
    '<nav class="m" aria-label="Main menu"><a href="#1">Home</a><a href="#2" aria-current="page">Boats</a><a href="#3">Fares</a></nav>',
  fares:
    '<nav class="m" aria-label="Main menu"><a href="#1">Home</a><a href="#2">Boats</a><a href="#3">Fares</a></nav>',
};
type Name = keyof typeof PAGES;

function handedOver(order: readonly Name[], from: Name) {
  const site = new Site();
  for (const name of order) {
    const html = `<!doctype html><html><head><title>${name}</title><link rel="stylesheet" href="s.css"></head><body>${PAGES[name]}</body></html>`;
    const source = {
      html,
      address: 'https://line.invalid/',
      sheets: [{ address: 'https://line.invalid/s.css', text: CSS }],
    };
    site.putPage({ version: name, pageId: name, name, source });
  }
  const { tree } = site.page(from);
  const look = changeLook(EMPTY_LOOK, [
    { part: 'link', property: 'color', value: '#112233', when: { states: [] } },
    { part: 'link', property: 'color', value: '#ff0000', when: { states: statesOf('link', ['current']) } },
  ]);
  const locator = locatorFor(selectAll(tree, 'nav.m')[0]!, 'nav.m');
  site.wear({ id: 'menu', name: 'Menu', kind: 'menu', pageId: from, locator, look });
  const { files, pages } = finish(handingOver(site));
  const colours = order.map((name): [Name, string[]] => {
    const css = cssFor(files, name);
    const page = site.page(name);
    const view = page.pages
      .extended([asLastSheet(css)])
      .at()
      .stylesFor(DESKTOP)
      .at();
    return [name, selectAll(page.tree, 'a').map((link) => view.of(link).text('color'))];
  });
  return { colours: Object.fromEntries(colours) as Record<Name, string[]>, pages };
}

describe('a look for every page', () => {
  const [plain, current] = ['rgb(17, 34, 51)', 'rgb(255, 0, 0)'];
  const orders: readonly (readonly Name[])[] = [
    ['home', 'boats', 'fares'],
    ['fares', 'boats', 'home'],
  ];
  it.each(orders.flatMap((order) => order.map((from): [string, Name] => [order.join(), from])))(
    'does on each of them what it says, whichever comes first and wherever it was made (%s, on %s)',
    (order, from) => {
      const { colours, pages } = handedOver(order.split(',') as Name[], from);
      expect(colours).toEqual({
        home: [current, plain, plain],
        boats: [plain, current, plain],
        fares: [plain, plain, plain],
      });
      expect(pages.map(({ failures }) => failures)).toEqual([[], [], []]);
      expect(pages.every(({ compared }) => compared > 0)).toBe(true);
    },
  );
});
