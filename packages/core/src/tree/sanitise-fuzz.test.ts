import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { PageTooLargeError } from './parse-document.js';
import { parseHtml } from './parse-html.js';
import { sanitiseHtml } from './sanitise.js';

const RUN = 'onerror="run()"';
/** Pieces of markup that parsers read differently by where they stand. */
const piece = fc.constantFrom(
  ...[
    '<svg>',
    '</svg>',
    '<math>',
    '</math>',
    '<style>',
    '</style>',
    '<title>',
    '</title>',
    '<textarea>',
    '</textarea>',
  ],
  ...[
    '<xmp>',
    '</xmp>',
    '<noscript>',
    '</noscript>',
    '<noembed>',
    '</noembed>',
    '<template>',
    '</template>',
    '<table>',
    '</table>',
  ],
  ...[
    '<mglyph>',
    '<mtext>',
    '<annotation-xml encoding="text/html">',
    '<foreignObject>',
    '<desc>',
    '<form>',
    '</form>',
    '<p>',
    '</p>',
  ],
  ...[
    '<!--',
    '-->',
    '--!>',
    '<![CDATA[',
    ']]>',
    '<select>',
    '<option>',
    '<plaintext>',
    '<iframe>',
    '<frameset>',
    '<b>',
    '</b>',
    '"',
    "'",
    '>',
    '&lt;',
    '\0',
  ],
  ...[
    `<img src=x ${RUN}>`,
    '<script>run()</script>',
    `<a href="javascript:run()">`,
    `<a id="</style><img src=x ${RUN}>">`,
    `<p title="</title><img src=x ${RUN}>">`,
  ],
);

describe('cleaning of any markup', () => {
  it('leaves nothing that runs, and reads the same when it is read again', () => {
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 30 }), (pieces) => {
        const { html } = sanitiseHtml(pieces.join(''));
        for (const element of parseHtml(html).elements) {
          expect(element.name).not.toBe('script');
          for (const [name, value] of element.attributes) {
            expect(name).not.toMatch(/^on/i);
            expect(value).not.toMatch(/^\s*javascript:/i);
          }
        }
        expect(sanitiseHtml(html).html).toBe(html);
      }),
      { numRuns: 400 },
    );
  });

  it.each([
    ['nests too deep', '<div>'.repeat(19_000)],
    ['has too many elements', '<i></i>'.repeat(70_000)],
  ])('ends early where the page %s', (_, html) => {
    expect(() => sanitiseHtml(html)).toThrow(PageTooLargeError);
  });
});
