import { describe, expect, it } from '@jest/globals';
import { generate, ident, parse, walk } from 'css-tree';
import fc from 'fast-check';
import { locatorFor } from '../css/selector/locator.js';
import { changePage } from '../page/change.js';
import { PageSession } from '../parts/page-session.js';
import { placeOn } from '../parts/placed-component.js';
import { demoPage, DEMO_PAGES } from '../testing/page.js';
import { KINDS } from './kinds/index.js';
import { starterOf } from './kinds/starters.js';

// What a component is is told by its structure, its place and its look: with every class called something else, the same
// components are found, and their parts in them.

/** Another name for each class, drawn at random; the same one each time. */
function renamer(names: readonly string[]): (name: string) => string {
  const known = new Map<string, string>();
  return (name) => {
    let other = known.get(name);
    // A number tells them apart where two were drawn alike.
    if (other === undefined) known.set(name, (other = `${names[known.size % names.length]}${known.size}`));
    return other;
  };
}

function renamedCss(css: string, rename: (name: string) => string): string {
  const sheet = parse(css, { parseValue: false, parseAtrulePrelude: false, parseCustomProperty: false });
  walk(sheet, (node) => {
    if (node.type === 'ClassSelector') node.name = ident.encode(rename(ident.decode(node.name)));
  });
  return generate(sheet);
}

function renamedPage({ source }: PageSession, rename: (name: string) => string): PageSession {
  const html = source.html
    .replace(/<style>([^<]*)<\/style>/g, (_all, css: string) => `<style>${renamedCss(css, rename)}</style>`)
    .replace(/(\sclass=)"([^"]*)"/g, (_all, head: string, names: string) => {
      return `${head}"${names.split(/\s+/).filter(Boolean).map(rename).join(' ')}"`;
    });
  const sheets = source.sheets.map((sheet) => ({ ...sheet, text: renamedCss(sheet.text, rename) }));
  return new PageSession({ ...source, html, sheets });
}

const found = (page: PageSession): string[] =>
  page.components().map(({ kind, elements }) => `${kind} ${elements.join()}`);

/** Letters that say nothing in any language that a kind's signs know. */
const nonsense = fc.array(fc.stringMatching(/^[qxzvkj]{3,9}$/), { minLength: 1, maxLength: 40 });
const RUNS = 6;

describe('names drawn at random', () => {
  it.each(DEMO_PAGES)('every component of %s is found', (file) => {
    const page = demoPage(file);
    fc.assert(
      fc.property(nonsense, (names) => expect(found(renamedPage(page, renamer(names)))).toEqual(found(page))),
      { numRuns: RUNS },
    );
  });

  const base = demoPage('contact.html');
  const footer = base.tree.elements.find(({ name }) => name === 'footer')!;
  const withOne = (html: string, css: string): PageSession => {
    const change = { locator: locatorFor(footer, 'footer'), place: 'before' as const, html, css };
    return new PageSession({ ...base.source, html: changePage(base.source.html, [change]).html });
  };

  it.each(KINDS.filter(({ name }) => starterOf(name)).map((kind) => [kind.name] as const))(
    'a %s is told by what it is',
    (name) => {
      const { html, css } = starterOf(name)!;
      const page = withOne(html, css);
      const before = page.components().filter(({ kind }) => kind === name);
      expect(before.length).toBeGreaterThan(base.components().filter(({ kind }) => kind === name).length);
      fc.assert(
        fc.property(nonsense, (names) => {
          const renamed = renamedPage(page, renamer(names)).components();
          expect(renamed.filter(({ kind }) => kind === name).map(({ elements }) => elements)).toEqual(
            before.map(({ elements }) => elements),
          );
        }),
        { numRuns: RUNS },
      );
    },
  );

  // Which button of a cookie notice accepts is told by its name or its words alone; all are parts all the same.
  const TOLD_BY_NAME = ['cookie-notice'];
  it.each(
    KINDS.filter(({ name }) => starterOf(name) && !TOLD_BY_NAME.includes(name)).map(({ name }) => [name] as const),
  )('the parts of a %s are those that they were', (name) => {
    const { html, css } = starterOf(name)!;
    const partsOf = (page: PageSession) => {
      const { kind, locator } = page
        .components()
        .filter((item) => item.kind === name)
        .at(-1)!;
      return placeOn(page, { kind, locator }).parts.map(({ part, elements }) => [part.name, elements.length]);
    };
    const page = withOne(html, css);
    expect(partsOf(renamedPage(page, renamer(['q'])))).toEqual(partsOf(page));
  });
});
