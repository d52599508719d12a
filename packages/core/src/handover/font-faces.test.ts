import { describe, expect, it } from '@jest/globals';
import { parseSheet } from '../css/sheet/parse-sheet.js';
import { EMPTY_LOOK } from '../look/model.js';
import { familiesOf, fontFaces, fontsOf, type FontFile } from './font-faces.js';

const file = (family: string): FontFile => ({
  family,
  style: 'normal',
  weight: { from: 400, to: 700 },
  address: `/retoque/${family.toLowerCase()}.woff2`,
  format: 'woff2',
});
const look = (value: string) => ({
  ...EMPTY_LOOK,
  settings: [{ part: 'button', property: 'font-family', when: { states: [] }, value }],
});

describe('fonts of a look', () => {
  it('are named as CSS names them, quoted or not', () => {
    expect([...familiesOf(look('"Lora  Two", work   sans , serif'))]).toEqual(['lora  two', 'work sans', 'serif']);
    expect(fontsOf(look("'LORA', serif"), [file('Lora'), file('Nunito')]).map(({ family }) => family)).toEqual([
      'Lora',
    ]);
    expect(fontsOf(EMPTY_LOOK, [file('Lora')])).toEqual([]);
  });
  it('are printed as rules that say which weights they hold', () => {
    const css = fontFaces([file('Lora'), { ...file('A "B"'), weight: { from: 700, to: 700 } }]);
    expect(css).toContain('font-weight: 400 700;');
    expect(css).toContain('font-weight: 700;');
    expect(css).toContain('src: url("/retoque/lora.woff2") format("woff2");');
    expect(css).toContain('font-family: "A \\"B\\"";');
    // Nothing of it is a rule for elements.
    expect(parseSheet('fonts.css', css).rules).toHaveLength(0);
  });
});
