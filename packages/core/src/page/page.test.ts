import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { demoPage, pageOf } from '../testing/page.js';
import { locate, locatorFor, selectAll } from '../css/selector/locator.js';
import { parseHtml } from '../tree/parse-html.js';
import { importSpans, pageReferences, sheetReferences, srcsetAddresses, urlSpans } from './references.js';
import { rewriteSheet } from './rewrite-sheet.js';
import { sanitiseHtml } from '../tree/sanitise.js';
import { isBuiltByScript } from '../tree/static-check.js';
import { readableText, textOf } from '../tree/tree.js';
import { MARKED_STATES } from './markers.js';

const assets = {
  assetAt: (address: string) => (address.includes('known') ? '/served/1' : undefined),
  assetSource: 'https://app.invalid/served/',
};

/** Whatever could run or load by itself in a frame. */
const DANGEROUS = /<script|<iframe|<object|<embed|<meta[^>]+refresh|\son[a-z]+\s*=|javascript:|srcdoc|<base|<link/i;

describe('a frame whose pictures are missing', () => {
  it('loads none, whoever asks for one: the page, its sheets, data addresses, or a look that is put into it', () => {
    const data = 'data:image/png;base64,iVBORw0KGgo=';
    const page = pageOf(`<img src="${data}" alt="Quay"><i style="background: url(${data})">x</i>`, '');
    const policy = (html: string) => /img-src ([^;]*);/.exec(html)![1];
    const shown = page.frame({ still: true, ...assets });
    const missing = page.frame({ still: true, pictures: false, ...assets });
    expect(policy(shown)).toBe(`${assets.assetSource} data:`);
    expect(policy(missing)).toBe("'none'");
    expect(shown).toContain(`<img src="${data}"`);
    expect(missing).not.toContain(`<img src`);
    expect(missing).toContain('alt="Quay"');
  });
});

describe('taking out what could run', () => {
  const hostile = [
    '<script>alert(1)</script>',
    '<img src=x onerror=alert(1)>',
    '<svg onload=alert(1)><script href="x"/></svg>',
    '<a href="java\nscript:alert(1)">x</a>',
    '<a href=" &#14; javascript:alert(1)">x</a>',
    '<svg><a xlink:href="javascript:alert(1)"><text>x</text></a></svg>',
    '<iframe srcdoc="<script>1</script>"></iframe>',
    '<object data="x.swf"></object><embed src="x">',
    '<meta http-equiv="refresh" content="0;url=https://elsewhere.invalid">',
    '<noscript><p title="</noscript><img src=x onerror=alert(1)>"></noscript>',
    '<math><mtext><table><mglyph><style><!--</style><img title="--&gt;&lt;img src=1 onerror=alert(1)&gt;">',
    '<form><button formaction="javascript:alert(1)">x</button></form>',
    '<template><script>1</script><img onerror=x></template>',
    '<base href="https://elsewhere.invalid/"><link rel="preload" href="x.js" as="script">',
    '<style></style/><img src=x onerror=alert(1)></style>',
    '<body onload=alert(1)><video autoplay src=x onplay=1 poster="javascript:1"></video>',
    '<svg><animate attributeName=href values="javascript:alert(1)"/></svg>',
    '<plaintext><script>1</script>',
  ];

  it.each(hostile)('%s', (html) => {
    const { html: clean } = sanitiseHtml(`<!doctype html><body>${html}</body>`);
    expect(parseHtml(clean).elements.some((element) => element.name === 'script')).toBe(false);
    const frame = pageOf(clean, '').frame({ still: true, ...assets });
    // The policy element is ours; everything else in the frame is the owner's.
    const theirs = frame.replace(/<meta charset="utf-8"><meta http-equiv="Content-Security-Policy"[^>]*>/, '');
    expect(
      parseHtml(theirs).elements.some((element) =>
        ['script', 'iframe', 'object', 'embed', 'base', 'link'].includes(element.name),
      ),
    ).toBe(false);
    for (const element of parseHtml(theirs).elements) {
      for (const [name, value] of element.attributes) {
        expect(name).not.toMatch(/^on|^srcdoc$/i);
        expect(value.replace(/\s/g, '')).not.toMatch(/^javascript:/i);
      }
    }
  });

  it('holds for any mixture of them', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.constantFrom(
            ...hostile,
            ...[
              '<p>',
              '</p>',
              '"',
              '<!--',
              '-->',
              '<style>',
              '</style>',
              '<table>',
              '<svg>',
              '</svg>',
              '<math>',
              '<mtext>',
            ],
            ...[
              '<mglyph>',
              '<title>',
              '</title>',
              '<template>',
              '<noscript>',
              '</noscript>',
              '<textarea>',
              '<xmp>',
              '<select>',
            ],
          ),
          { maxLength: 9 },
        ),
        (parts) => {
          const { html } = sanitiseHtml(parts.join(''));
          for (const element of parseHtml(html).elements) {
            expect(element.name).not.toBe('script');
            for (const name of element.attributes.keys()) expect(name).not.toMatch(/^on/i);
          }
        },
      ),
    );
  });

  it('cleans what becomes an element only when it is written out again', () => {
    const { html } = sanitiseHtml(
      '<math><mtext><table><mglyph><style><!--</style><img title="--&gt;"><plaintext>--><script>alert(1)</script>',
    );
    expect(parseHtml(html).elements.some((element) => element.name === 'script')).toBe(false);
  });

  it('counts what it takes out and keeps the rest', () => {
    const { html, removed } = sanitiseHtml('<p onclick="x">Hello <b>there</b></p><script>1</script><script>2</script>');
    expect(removed).toMatchObject({ scripts: 2, handlers: 1 });
    expect(html).toContain('<p>Hello <b>there</b></p>');
    expect(html).not.toMatch(DANGEROUS);
  });
});

describe('a page that a script would build', () => {
  it('is recognised', () => {
    expect(isBuiltByScript(parseHtml('<div id="root"></div>'), 1)).toBe(true);
    expect(isBuiltByScript(parseHtml('<div id="root">Loading…</div>'), 3)).toBe(true);
    expect(isBuiltByScript(parseHtml('<div id="root"></div>'), 0)).toBe(false);
    expect(isBuiltByScript(parseHtml('<a href="/">Home</a>'), 5)).toBe(false);
  });
});

describe('frames', () => {
  it('load only stored assets, and mark states', () => {
    const css =
      '@import "other.css" screen; a:hover { background: url(known.png) } b { background: url("https://elsewhere.invalid/x.png") }';
    const rewritten = rewriteSheet(css, {
      address: 'https://page.invalid/css/site.css',
      assetAt: assets.assetAt,
      sheetAt: (address) => (address.endsWith('/css/other.css') ? 'i:focus { color: red }' : undefined),
      markStates: MARKED_STATES,
    });
    expect(rewritten).toContain('a[data-rq-hover] { background: url("/served/1") }');
    expect(rewritten).toContain('@media screen {\ni[data-rq-focus] { color: red }\n}');
    expect(rewritten).toContain('url("data:,")');
    expect(rewritten).not.toContain('elsewhere');
  });

  it('cannot be left by a style element', () => {
    const page = pageOf('<p>x</p>', 'p::before { content: "</style><script>1</script>" }');
    expect(
      parseHtml(page.frame({ still: false, ...assets })).elements.some((element) => element.name === 'script'),
    ).toBe(false);
  });

  it('show the same elements as the page', () => {
    for (const file of ['index.html', 'booking.html'] as const) {
      const page = demoPage(file);
      const again = parseHtml(page.frame({ still: true, ...assets }));
      const texts = (tree: typeof again) =>
        tree.elements.filter((element) => ['a', 'button', 'label'].includes(element.name)).map(textOf);
      expect(texts(again)).toEqual(texts(page.tree));
    }
  });
});

describe('references', () => {
  it('are found in HTML and CSS', () => {
    const tree = parseHtml(
      '<link rel="stylesheet" href="a.css"><img src="p.png" srcset="p1.png 1x, p2.png 2x"><div style="background:url(\'b.svg#x\')">',
    );
    expect(pageReferences(tree, 'https://s.invalid/dir/')).toEqual({
      sheets: ['https://s.invalid/dir/a.css'],
      assets: [
        'https://s.invalid/dir/p.png',
        'https://s.invalid/dir/p1.png',
        'https://s.invalid/dir/p2.png',
        'https://s.invalid/dir/b.svg',
      ],
      data: [],
    });
    const css =
      '@import url(x.css) layer(a); @font-face { src: url(f.woff2) format("woff2"), url(data:font/woff2;base64,AA) } a { mask: url(#m) }';
    expect(sheetReferences(css, 'https://s.invalid/css/site.css')).toEqual({
      sheets: ['https://s.invalid/css/x.css'],
      assets: ['https://s.invalid/css/f.woff2'],
      data: [],
    });
    expect(importSpans(css)[0]!.rest).toBe('layer(a)');
    expect(srcsetAddresses('a.png, b.png 2x,c.png 300w')).toEqual(['a.png', 'b.png', 'c.png']);
  });
});

describe('pictures that addresses hold themselves', () => {
  const SVG = `data:image/svg+xml,<svg xmlns='http://www.w3.org/2000/svg'><path fill="%23fff"/></svg>`;

  it('are found under the address that the computed value has', () => {
    const css = `.a { background-image: url("${SVG.replace(/"/g, '\\"')}") }`;
    const page = pageOf(`<i class="a" style="color: red"></i><img src="data:image/gif;base64,R0lG">`, css);
    const [fromSheet] = sheetReferences(css, 'https://s.invalid/').data;
    const style = page.stylesFor().at().of(selectAll(page.tree, '.a')[0]!);
    expect(urlSpans(style.text('background-image'))[0]!.address).toBe(fromSheet);
    expect(pageReferences(page.tree, 'https://s.invalid/').data).toEqual(['data:image/gif;base64,R0lG']);
  });

  it('are none where the address holds something else', () => {
    expect(sheetReferences('@font-face { src: url(data:font/woff2;base64,AA) }', 'https://s.invalid/').data).toEqual(
      [],
    );
  });
});

describe('locators', () => {
  const before = pageOf(
    '<nav class="main"><a class="go" href="/a">Alpha</a><a class="go" href="/b">Beta</a></nav>',
    '',
  );
  const [, beta] = selectAll(before.tree, 'a');
  const locator = locatorFor(beta!, '.main .go');

  it('find the same element among several', () => {
    expect(textOf(locate(before.tree, locator).element!)).toBe('Beta');
  });

  it('find it again after a move, and say so', () => {
    const after = pageOf('<header><a class="go" href="/a">Alpha</a><a class="go" href="/b">Beta</a></header>', '');
    const found = locate(after.tree, locator);
    expect(found.outcome).toBe('moved');
    expect(textOf(found.element!)).toBe('Beta');
  });

  it('say when it is gone, or cannot be told apart', () => {
    expect(locate(pageOf('<p>Nothing</p>', '').tree, locator).outcome).toBe('gone');
    const twins = pageOf('<header><a class="go" href="/b">Beta</a><a class="go" href="/b">Beta</a></header>', '');
    expect(locate(twins.tree, locator).outcome).toBe('ambiguous');
  });
});

describe('text that readers meet', () => {
  it('is without sheets, scripts and what is kept for later', () => {
    const tree = parseHtml(
      '<!doctype html><title>T</title><body><p> One <style>p{}</style><b>two</b><script>3</script> <template>4</template></p>',
    );
    expect(readableText(selectAll(tree, 'p')[0]!)).toBe('One two');
    expect(readableText(selectAll(tree, 'body')[0]!)).toBe('One two');
  });

  it('the whole page stands for its scrollbar, and has no words of its own', () => {
    const tree = parseHtml('<!doctype html><style>html{}</style><p>Words</p>');
    expect(readableText(selectAll(tree, 'html')[0]!)).toBe('');
    expect(textOf(selectAll(tree, 'html')[0]!)).toContain('Words');
  });
});
