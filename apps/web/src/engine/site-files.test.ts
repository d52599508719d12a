import { describe, expect, it } from '@jest/globals';
import type { EnginePage } from './protocol';
import { SiteFiles } from './site-files';

const page: EnginePage = {
  ...{ id: 'v', pageId: 'p', siteId: 's', name: 'Quay', html: '', sheets: [] },
  address: 'https://quay.invalid/pages/one.html',
  assets: [
    { address: 'https://quay.invalid/sea.webp', hash: 'sea', contentType: 'image/webp', size: 1 },
    { address: 'https://quay.invalid/text.woff2', hash: 'text', contentType: 'font/woff2', size: 1 },
  ],
} as unknown as EnginePage;
const font = { family: 'Quay', style: 'normal', weight: '400' };
const rule = (css: string) => ({ states: 0, css });

function files() {
  const own = new SiteFiles('http://here/a/');
  own.use([
    { address: '/retoque/boat.webp', hash: 'boat' },
    { address: '/retoque/quay.woff2', hash: 'quay', font },
  ] as never);
  return own;
}

describe('SiteFiles', () => {
  it('finds what the page brought and what the owner added, and nothing else', () => {
    const { assetAt } = files().assetsOf(page);
    expect(assetAt('https://quay.invalid/sea.webp')).toBe('http://here/a/sea');
    expect(assetAt('https://quay.invalid/retoque/boat.webp')).toBe('http://here/a/boat');
    expect(assetAt('https://elsewhere.invalid/sea.webp')).toBeUndefined();
  });

  it('keeps fonts where pictures are missing', () => {
    const { assetAt } = files().assetsOf(page, false);
    expect(assetAt('https://quay.invalid/sea.webp')).toBeUndefined();
    expect(assetAt('https://quay.invalid/retoque/boat.webp')).toBeUndefined();
    expect(assetAt('https://quay.invalid/text.woff2')).toBe('http://here/a/text');
    expect(assetAt('https://quay.invalid/retoque/quay.woff2')).toBe('http://here/a/quay');
  });

  it('leads the paths that a look names to what is stored', () => {
    const css = files().localCss('.a { background-image: url("/retoque/boat.webp") }', page);
    expect(css).toContain('http://here/a/boat');
    expect(css).not.toContain('/retoque/boat.webp');
  });

  it('gives frames the rules of a look and the fonts before them, the same object for the same rules', () => {
    const own = files();
    const plain = { id: 1, rules: [rule('.a { color: red }')] };
    const painted = { id: 2, rules: [rule('.a { background: url(/retoque/boat.webp) }')] };
    const first = own.framesOf([plain, painted], page);
    expect(first[0]!.rules[0]!.css).toContain('@font-face');
    expect(first[1]).toBe(plain);
    expect(first[2]!.rules[0]!.css).toContain('http://here/a/boat');
    expect(own.framesOf([plain, painted], page)[2]).toBe(first[2]);
    // Other files may be behind the same path.
    own.use([]);
    expect(own.framesOf([plain, painted], page)).toHaveLength(2);
    expect(own.framesOf([painted], page)[0]!.rules[0]!.css).not.toContain('http://here/a/boat');
  });
});
