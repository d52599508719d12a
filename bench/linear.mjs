// Readers of texts of others, each on a text and on one twice as long: how often their blocks run must about double.
// Steps are counted by V8's block coverage and are the same on every machine; time is not looked at.
import { Session } from 'node:inspector/promises';

const session = new Session();
session.connect();
await session.post('Profiler.enable');
// Before anything is loaded, so that every block of it is counted from the start.
await session.post('Profiler.startPreciseCoverage', { callCount: true, detailed: true });
const { fromPaste } = await import('../apps/server/dist/pages/import/from-files.js');
const core = await import('../packages/core/dist/index.js');
const { locate, pageReferences, PageSession, parseHtml, sanitiseHtml, sheetReferences, spacedTerms } = core;
const { parseSheet } = await import('../packages/core/dist/css/sheet/parse-sheet.js');
const { withinBrackets } = await import('../packages/core/dist/css/syntax/parser.js');
const { matchesPattern } = await import('../packages/core/dist/css/selector/pattern.js');
const { srcsetAddresses } = await import('../packages/core/dist/page/references.js');

/** A text twice as long may cost so many times the steps. */
const MOST = 2.4;
const COUNTED = /\/(packages\/core|apps\/server)\/dist\/|\/node_modules\/(css-tree|parse5|re2js)\//;

const address = 'https://page.invalid/';
const pageWith = (html, css = '') => new PageSession({ html: `<style>${css}</style>${html}`, address, sheets: [] });
const found = (html, css) => pageWith(html, css).components();
const rep = (text) => (times) => text.repeat(times);
const list = (make) => (times) => Array.from({ length: times }, (_, i) => make(i)).join('');

const CASES = [
  ['doctypes pasted', rep('<!doctype'), (text) => fromPaste(text, 'a{}').catch(() => undefined), 4000],
  ['heads pasted', rep('<head '), (text) => fromPaste(text, 'a{}').catch(() => undefined), 4000],
  ['roots pasted', rep('<html '), (text) => fromPaste(text, 'a{}').catch(() => undefined), 4000],
  ['elements cleaned', list((i) => `<p class=c${i} onclick=x>x</p>`), sanitiseHtml, 3000],
  ['attributes read', list((i) => ` a${i}=b`), (text) => parseHtml(`<p ${text}>`), 4000],
  [
    'addresses of a page',
    list((i) => `<img src=${i}.png srcset="a 1x, b 2x">`),
    (text) => pageReferences(parseHtml(text), address),
    2000,
  ],
  ['a srcset of spaces', rep(' '), (text) => srcsetAddresses(`${text}(`), 20_000],
  ['a srcset of words', rep('a '), srcsetAddresses, 10_000],
  [
    'addresses of a sheet',
    list((i) => `.a${i}{background:url(${i}.png)}`),
    (text) => sheetReferences(text, address),
    2000,
  ],
  ['rules read', list((i) => `.a${i}:hover{color:red;margin:1px 2px}`), (text) => parseSheet('s', text), 2000],
  ['brackets opened', rep('('), withinBrackets, 20_000],
  ['brackets opened and closed', rep('(()[{}]'), (text) => parseSheet('s', `a{b:${text}`), 3000],
  ['terms split', rep('( ) '), spacedTerms, 5000],
  ['a pattern over a value', rep('a'), (text) => matchesPattern('(a+)+b', text), 400],
  ['links found', list((i) => `<a href=${i}>l</a>`), (text) => found(text, 'a{color:red}a:hover{color:blue}'), 1500],
  [
    'links with a class found',
    list((i) => `<li><a class=l href=${i}>l</a>`),
    (text) => found(text, '.l{color:red}'),
    1500,
  ],
  [
    'classes of one element',
    list((i) => `c${i} `),
    (text) => found(`<a href=x class="${text}">x</a>`, '.c1{color:red}'),
    4000,
  ],
  [
    'fields in fieldsets',
    (times) => `${'<fieldset>'.repeat(100)}${'<input required>'.repeat(times)}`,
    (text) => found(text),
    500,
  ],
  [
    'an element found again',
    list((i) => `<p class=c${i}>words</p>`),
    (text) =>
      locate(parseHtml(text), { selector: '.gone', tag: 'p', classes: ['x'], attributes: {}, text: 'y', ancestry: [] }),
    2000,
  ],
  [
    'a chain of var',
    (times) => `.b{--v0:red;${list((i) => `--v${i + 1}:var(--v${i});`)(times)}color:var(--v${times})}`,
    (css) => {
      const page = pageWith('<p class=b>x</p>', css);
      page.stylesFor().at().of(page.tree.elements.at(-1)).text('color');
    },
    800,
  ],
];

async function steps(run) {
  await session.post('Profiler.takePreciseCoverage');
  await run();
  const { result } = await session.post('Profiler.takePreciseCoverage');
  let sum = 0;
  for (const script of result) {
    if (!COUNTED.test(script.url)) continue;
    for (const { ranges } of script.functions) for (const { count } of ranges) sum += count;
  }
  return sum;
}

let worst = 0;
for (const [name, make, read, size] of CASES) {
  // Once before, so that what is made once for all is not counted.
  await read(make(8));
  const once = await steps(() => read(make(size)));
  const twice = await steps(() => read(make(size * 2)));
  const ratio = twice / once;
  worst = Math.max(worst, ratio);
  const mark = ratio > MOST ? '  TOO MANY' : '';
  process.stdout.write(
    `${name.padEnd(30)} ${String(once).padStart(10)} steps, twice as long ${ratio.toFixed(2)} times as many${mark}\n`,
  );
}
process.exit(worst > MOST ? 1 : 0);
