import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { sheetText } from '../css/sheet/shared-sheet.js';
import { urlSpans, urlSpansOf } from './references.js';

const require = createRequire(import.meta.url);

describe('addresses of a sheet, looked for rule by rule', () => {
  it.each(['bootstrap/dist/css/bootstrap.css', 'bulma/css/bulma.css'])('are those of its whole text: %s', (path) => {
    const sheet = sheetText(readFileSync(require.resolve(path), 'utf8'));
    expect(urlSpansOf(sheet)).toEqual(urlSpans(sheet.text));
  });

  const piece = fc.constantFrom(
    '.a{background:url(a.png)}',
    '.b{background:URL( "b.png" )}',
    '.c{color:red}',
    '.d{.e{background:url(d.png)} background:url(e.png)}',
    '/* url(no.png) */',
    '.f{content:"url(no.png)"}',
    '@font-face{font-family:F;src:url(f.woff2)}',
    '@media print{.g{background:u\\72l(g.png)}.h{top:0}}',
    '@import url(i.css);',
    '.j{background:src("j.png")',
    ':::{background:url(k.png)}',
  );

  it('are those of its whole text, whatever stands in it', () => {
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 8 }), (pieces) => {
        const sheet = sheetText(pieces.join('\n'));
        expect(urlSpansOf(sheet)).toEqual(urlSpans(sheet.text));
      }),
    );
  });
});
