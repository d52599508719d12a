import { describe, expect, it } from '@jest/globals';
import { namedSwatch, swatchWords } from './swatch-names';

const SWATCHES = [
  { id: 'quay-blue', name: 'Quay blue', css: '#0b5563' },
  { id: 'sand', name: 'Sand', css: '#f4ead7' },
];

describe('colours of the palette in values', () => {
  it('are read by their names', () => {
    expect(swatchWords('swatch(quay-blue)', SWATCHES)).toBe('Quay blue');
    expect(swatchWords('0 1px 2px swatch(sand / 40%)', SWATCHES)).toBe('0 1px 2px Sand 40%');
    expect(swatchWords('swatch(gone)', SWATCHES)).toBe('swatch(gone)');
    expect(swatchWords('#fff', SWATCHES)).toBe('#fff');
  });

  it('are typed by their names', () => {
    expect(namedSwatch(' quay Blue ', SWATCHES)).toBe('swatch(quay-blue)');
    expect(namedSwatch('sandy', SWATCHES)).toBe('sandy');
  });
});
