import { describe, expect, it } from '@jest/globals';
import { DESKTOP } from '../css/conditions/environment.js';
import { evaluateMedia } from '../css/conditions/media.js';
import { parseMedia } from '../css/sheet/preludes.js';
import { rewriteSheet } from './rewrite-sheet.js';
import { scriptingEdits, withScripting } from './scripting-media.js';

const inFrame = (css: string, imported = '', markStates: ReadonlySet<string> = new Set()) =>
  rewriteSheet(css, {
    address: 'https://page.invalid/a.css',
    assetAt: () => undefined,
    sheetAt: () => imported,
    markStates,
  });

describe('what a page asks of scripting', () => {
  // Media Queries 5, section 8.1: none, initial-only or enabled; without a value it is true unless none.
  it.each([
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
  ])('%s comes to the same in a frame, and asks for it no longer', (media) => {
    const written = withScripting(media);
    expect(written).not.toMatch(/scripting/i);
    for (const width of [320, 800, 1280]) {
      const holds = (text: string) => evaluateMedia(parseMedia(text).query, { ...DESKTOP, width });
      expect(holds(written)).toBe(holds(media));
    }
  });

  it('is answered in every media rule of a sheet, also of one that it imports', () => {
    expect(inFrame('@media (scripting: none) { a { color: red } }')).toBe('@media (width < 0px) { a { color: red } }');
    expect(inFrame('@supports (gap: 1px) { @MEDIA (scripting) { a { gap: 0 } } }', '', new Set(['hover']))).toBe(
      '@supports (gap: 1px) { @MEDIA (min-width: 0px) { a { gap: 0 } } }',
    );
    expect(inFrame('@import "b.css" (scripting: none);', 'a { color: red }')).toContain('@media (width < 0px) {');
  });

  it('stays as written where it is no query', () => {
    for (const css of [
      'a::before { content: "(scripting: none)" }',
      '/* @media (scripting: none) */ a { color: red }',
      '@container (scripting: none) { a { color: red } }',
    ]) {
      expect(scriptingEdits(css)).toEqual([]);
    }
  });
});
