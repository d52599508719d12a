import { describe, expect, it } from '@jest/globals';
import { parseHtml } from '../tree/parse-html.js';
import { siteFonts } from './site-fonts.js';

describe('fonts that a page loads', () => {
  it('are read from its own and imported sheets, with addresses that hold', () => {
    const tree = parseHtml(
      '<!doctype html><link rel="stylesheet" href="/css/a.css"><style>@font-face { font-family: Own; src: local("Own"), url(own.woff2#x) }</style>',
    );
    const fonts = siteFonts(tree, 'https://line.invalid/page/', [
      {
        address: 'https://line.invalid/css/a.css',
        text: '@import "b.css"; @media print { @font-face { font-family: "Two Words"; font-weight: 200 900; font-style: italic; src: url(../f/t.woff2) format("woff2"), url("../f/t.ttf") } } @font-face { font-family: none }',
      },
      { address: 'https://line.invalid/css/b.css', text: '@FONT-FACE { font-family: B; src: url(b.woff2) }' },
    ]);
    expect(fonts.map(({ family, sources }) => [family, ...sources]).sort()).toEqual([
      ['B', 'https://line.invalid/css/b.woff2'],
      ['Own', 'https://line.invalid/page/own.woff2'],
      ['Two Words', 'https://line.invalid/f/t.woff2', 'https://line.invalid/f/t.ttf'],
    ]);
    expect(fonts.find(({ family }) => family === 'Two Words')).toMatchObject({ weight: '200 900', style: 'italic' });
  });
});
