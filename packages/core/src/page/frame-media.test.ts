import { describe, expect, it } from '@jest/globals';
import { DESKTOP } from '../css/conditions/environment.js';
import { evaluateMedia } from '../css/conditions/media.js';
import { parseMedia } from '../css/sheet/preludes.js';
import { sheetText } from '../css/sheet/shared-sheet.js';
import { pageOf } from '../testing/page.js';
import { mediaSpans, withFrameMedia, type FrameMedia } from './frame-media.js';
import { rewriteSheet } from './rewrite-sheet.js';

const inFrame = (css: string, { imported = '', states = [] as string[], media = {} as FrameMedia } = {}) =>
  rewriteSheet(css, {
    address: 'https://page.invalid/a.css',
    assetAt: () => undefined,
    sheetAt: () => imported,
    markStates: new Set(states),
    media,
  });

/** Media Queries 5: sections 7 (hover, pointer), 8.1 (scripting) and 11.1 (prefers-reduced-motion). */
const QUERIES = [
  '(scripting)',
  '(scripting: enabled)',
  '(scripting:none)',
  '( SCRIPTING : None )',
  '(scripting: initial-only)',
  'not all and (scripting: none)',
  'screen and (scripting) and (min-width: 900px)',
  '(scripting: none) or (min-width: 900px)',
  '(not (scripting: none)) and (max-width: 400px)',
  'print, (scripting: enabled)',
  '(hover: hover) and (pointer: fine)',
  '(any-hover: none) or (any-pointer:coarse)',
  '(hover)',
  '(pointer: none)',
  'not all and (any-pointer)',
  '(prefers-reduced-motion)',
  '(prefers-reduced-motion: reduce)',
  '(prefers-reduced-motion: no-preference) and (scripting)',
  'not all and (prefers-reduced-motion: REDUCE)',
];

describe('what a page asks of the browser that only its visitors’ would answer', () => {
  it.each(QUERIES)('%s comes to the same in a frame, and is asked no longer', (query) => {
    for (const [reducedMotion, touch] of [0, 1, 2, 3].map((bits) => [bits > 1, bits % 2 === 1] as const)) {
      const written = withFrameMedia(query, { reducedMotion, touch });
      expect(written).not.toMatch(/scripting|motion|hover|pointer/i);
      for (const width of [320, 800, 1280]) {
        const environment = { ...DESKTOP, width, reducedMotion, touch };
        const holds = (text: string) => evaluateMedia(parseMedia(text).query, environment);
        expect(holds(written)).toBe(holds(query));
      }
    }
  });

  it('leaves motion and touch to whoever looks, where a frame is shown for nobody else', () => {
    expect(withFrameMedia('(prefers-reduced-motion: reduce) and (scripting) and (hover)', {})).toBe(
      '(prefers-reduced-motion: reduce) and (min-width: 0px) and (hover)',
    );
  });

  it('is answered in every media rule of a sheet, also of one that it imports', () => {
    expect(inFrame('@media (scripting: none) { a { color: red } }')).toBe('@media (width < 0px) { a { color: red } }');
    expect(inFrame('@supports (gap: 1px) { @MEDIA (scripting) { a { gap: 0 } } }', { states: ['hover'] })).toBe(
      '@supports (gap: 1px) { @MEDIA (min-width: 0px) { a { gap: 0 } } }',
    );
    expect(inFrame('@import "b.css" (scripting: none);', { imported: 'a { color: red }' })).toContain(
      '@media (width < 0px) {',
    );
    const still = '@media (prefers-reduced-motion: reduce) { a { transition: none } }';
    expect(inFrame(still, { media: { reducedMotion: true } })).toContain('@media (min-width: 0px) {');
    expect(inFrame(still, { media: { reducedMotion: false } })).toContain('@media (width < 0px) {');
  });

  it('is answered for sheets of the page as a whole, and anew where it is shown for others', () => {
    const page = pageOf('<p>Text</p>', '@media (prefers-reduced-motion: reduce) { p { animation: none } }');
    const frame = (reducedMotion?: boolean) =>
      page.frame({ still: true, reducedMotion, assetAt: () => undefined, assetSource: "'self'" });
    expect(frame(true)).toContain('(min-width: 0px)');
    expect(frame(false)).toContain('(width < 0px)');
    expect(frame()).toContain('(prefers-reduced-motion: reduce)');
  });

  it('stays as written where it is no query', () => {
    for (const css of [
      'a::before { content: "(scripting: none)" }',
      '/* @media (scripting: none) */ a { color: red }',
      '@container (scripting: none) { a { color: red } }',
      'a:not(:hover) { color: red }',
    ]) {
      expect(mediaSpans(sheetText(css))).toEqual([]);
    }
  });
});
