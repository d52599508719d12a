import { describe, expect, it } from '@jest/globals';
import { showPage, storedFilesIn, withData, withSheet } from './show-page';

const version = (name: string, html: string, failing = 0, unsure = 0) => ({ name, html, measured: 9, failing, unsure });

describe('a page that shows versions', () => {
  it('holds each as a document of its own, with its figures, and nothing that runs', () => {
    const html = showPage('Line', 'Home & quay', '30 November', [
      version('As it is', '<p title="a">One</p><script>alert(1)</script>', 2),
      version('Version A', '<p>Two</p>'),
    ]);
    expect(html).toContain('srcdoc="&lt;p title=&quot;a&quot;&gt;One');
    expect(html).toContain('2 of 9 fail on contrast');
    expect(html).toContain('All 9 have enough contrast');
    const unsure = showPage('Line', 'Home', 'today', [version('As it is', '', 0, 3)]);
    expect(unsure).toContain('9 have enough contrast, 3 not sure');
    expect(unsure).not.toContain('All 9');
    expect(html.match(/sandbox=""/g)).toHaveLength(2);
    // Words of a page, and what would be a script, are text of an attribute.
    expect(html).toContain('Home &amp; quay');
    expect(html).not.toMatch(/<script/i);
  });

  it('has the sheet of a version behind those of the page', () => {
    expect(withSheet('<html><head><style>a{}</style></head><body>', 'b { color: red }')).toBe(
      '<html><head><style>a{}</style><style>b { color: red }</style></head><body>',
    );
    expect(withSheet('<p>', 'a{}')).toBe('<style>a{}</style><p>');
    expect(withSheet('<head></head>', 'a::after { content: "</style>" }')).not.toContain('"</style>"');
  });

  it('has files in it instead of their addresses', () => {
    const base = 'http://127.0.0.1:4310/api/assets/';
    const hash = 'a'.repeat(64);
    const other = 'b'.repeat(64);
    const text = `<img src="${base}${hash}"> url(${base}${other}) ${base}${hash}`;
    expect(storedFilesIn([text, text], base)).toEqual([base + hash, base + other]);
    const data = new Map([[base + hash, 'data:image/png;base64,AA==']]);
    expect(withData(text, data)).toBe(
      `<img src="data:image/png;base64,AA=="> url(${base}${other}) data:image/png;base64,AA==`,
    );
  });
});
