import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { iconFile, iconName, iconSize } from './icon-file';

const MARKUP =
  '<svg xmlns="http://www.w3.org/2000/svg" width="24" height="24" viewBox="0 0 24 24" class="icon" stroke="currentColor"><path d="m9 18 6-6-6-6"></path><circle cx="1" cy="1" r="1" fill="currentColor"></circle></svg>';

describe('an icon as a file', () => {
  it('is a drawing of its own in the colour and size of the text', () => {
    const file = iconFile(MARKUP, { colour: '#0b5563', size: 18 });
    expect(file).toContain('width="18" height="18"');
    expect(file).toContain('stroke="#0b5563"');
    expect(file).toContain('fill="#0b5563"');
    expect(file).toContain('<path d="m9 18 6-6-6-6"></path>');
    expect(file).not.toContain('currentColor');
    expect(file).not.toContain('class=');
  });

  it('keeps to its attributes whatever the colour is called', () => {
    const entities = { amp: '&', lt: '<', quot: '"' } as const;
    fc.assert(
      fc.property(fc.string(), fc.integer({ min: 8, max: 96 }), (colour, size) => {
        const file = iconFile(MARKUP, { colour, size });
        const [, stroke = ''] = / stroke="([^"]*)"/.exec(file)!;
        expect(stroke).not.toContain('<');
        expect(stroke.replace(/&(amp|lt|quot);/g, (_, name: keyof typeof entities) => entities[name])).toBe(colour);
        expect(iconName('ship', { colour, size })).toMatch(/^ship-\d+-[0-9a-z]*\.svg$/i);
      }),
    );
  });

  it('has a size in whole pixels, near that of the text', () => {
    expect(['15.6px', '200px', '2px', '1.2em', ''].map(iconSize)).toEqual([16, 96, 8, 16, 16]);
  });
});
