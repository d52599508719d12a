import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { PageSession } from '../../parts/page-session.js';
import { forceStates } from '../selector/forced.js';
import { PROPERTIES } from '../property/table.js';
import { HOVER } from '../selector/states.js';

// No crash and no hang on anything: the number of runs bounds the time, and a hang would fail the suite by its limit.

const theme = readFileSync(
  fileURLToPath(new URL('../../../../../apps/practice-host/site/css/theme.css', import.meta.url)),
  'utf8',
);
const home = readFileSync(
  fileURLToPath(new URL('../../../../../apps/practice-host/site/index.html', import.meta.url)),
  'utf8',
);

/** Reads a page and asks for every property of some of its elements. */
function ask(html: string, css: string, most = 4): void {
  const page = new PageSession({
    html: `${html}<link rel="stylesheet" href="s.css">`,
    address: 'https://page.invalid/',
    sheets: [{ address: 'https://page.invalid/s.css', text: css }],
  });
  const { elements } = page.tree;
  const step = Math.max(1, Math.floor(elements.length / most));
  for (let i = 0; i < elements.length; i += step) {
    const element = elements[i]!;
    for (const view of [page.stylesFor().at(), page.stylesFor().at(forceStates([[element, HOVER]]))]) {
      // One look at all: to expect each by itself takes ten times as long as to ask for it.
      const wrong = [...PROPERTIES.keys()].filter((name) => typeof view.of(element).text(name) !== 'string');
      expect(wrong).toEqual([]);
      view.of(element, 'before').text('content');
    }
  }
}

const fragment = fc.constantFrom(
  ...[
    'a',
    '.b',
    '#c',
    '*',
    ':hover',
    ':not(',
    ':has(>',
    ':is(',
    ':nth-child(2n of',
    '::before',
    '[x',
    '=y]',
    '>',
    '+',
    '~',
    '||',
    '&',
  ],
  ...[
    '{',
    '}',
    '(',
    ')',
    '[',
    ']',
    ';',
    ':',
    ',',
    '"',
    "'",
    '/*',
    '*/',
    '\\',
    '!important',
    '@media',
    '@layer',
    '@import',
    '@scope',
  ],
  ...[
    '@container',
    '@property --x',
    '@supports',
    '@font-face',
    'color:',
    'background:',
    'font:',
    'transition:',
    'width: calc(',
  ],
  ...[
    'var(--x',
    'var(--x)',
    '--x: var(--y);--y: var(--x)',
    'rgb(from',
    'color-mix(in',
    'linear-gradient(',
    '10px',
    '1e99',
    '-',
    '%',
  ],
  ...['url(', '\u0000', '\ud800', '<!--', '-->', 'inherit', 'revert-layer', '}'.repeat(50), '('.repeat(200)],
);

describe('malformed input', () => {
  it('of any CSS text', () => {
    fc.assert(
      fc.property(fc.array(fragment, { maxLength: 40 }), (parts) =>
        ask('<div class="b" id="c"><a href="#">x</a></div>', parts.join(' '), 2),
      ),
      { numRuns: 150 },
    );
  });

  it('of a sheet cut off anywhere', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: theme.length }), (end) =>
        ask('<main class="card"><a class="btn" href="#">x</a></main>', theme.slice(0, end), 2),
      ),
      { numRuns: 60 },
    );
  });

  it('of a sheet with pieces taken out and put elsewhere', () => {
    const at = fc.integer({ min: 0, max: theme.length - 1 });
    fc.assert(
      fc.property(at, at, at, (a, b, c) => {
        const [from, to] = [Math.min(a, b), Math.min(Math.max(a, b), Math.min(a, b) + 400)];
        const rest = theme.slice(0, from) + theme.slice(to);
        ask(
          '<main class="card"><a class="btn" href="#">x</a></main>',
          rest.slice(0, c) + theme.slice(from, to) + rest.slice(c),
          2,
        );
      }),
      { numRuns: 40 },
    );
  });

  it('of a page cut off anywhere', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: home.length }), (end) => ask(home.slice(0, end), theme, 3)),
      { numRuns: 25 },
    );
  });

  it('of a page that nests deeply, and of selectors that could be tried in many ways', () => {
    const deep = `${'<div class="b">'.repeat(300)}x`;
    const css = `${'.b '.repeat(60)}.nope { color: red } ${'.b > '.repeat(40)}.b ~ .b:not(.b .b .b) { color: red } :has(.b .b .b .b) { color: blue } ${'.b{'.repeat(100)} color: green`;
    ask(deep, css, 3);
  });

  it('of values that double each other', () => {
    const css = Array.from({ length: 60 }, (_, i) => `--v${i}: var(--v${i + 1}) var(--v${i + 1});`).join('');
    ask('<p>x</p>', `p { ${css} color: var(--v0); margin: var(--v3) }`, 2);
  });
});
