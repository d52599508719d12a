import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { paintedPicture, printLayers, readLayers, type Layer } from './layers.js';

const layer = fc.record<Layer>({
  image: fc.constantFrom('url("a, b.png")', 'linear-gradient(red, rgb(0, 0, 0))', 'url(x.webp)'),
  size: fc.constantFrom('auto', 'cover', '20px auto', '50%'),
  x: fc.constantFrom('0%', 'center', 'right 4px'),
  y: fc.constantFrom('0%', '50%', '12px'),
  repeat: fc.constantFrom('repeat', 'no-repeat', 'repeat-x'),
});

describe('layers of a background', () => {
  it('are the same when they are put together and read again', () => {
    fc.assert(
      fc.property(fc.array(layer, { maxLength: 5 }), (layers) => {
        const values = printLayers(layers);
        expect(readLayers((property) => values[property] ?? '')).toEqual(layers);
      }),
    );
  });
  it('begin shorter lists again, as CSS Backgrounds 3, section 2.1 says', () => {
    const values: Record<string, string> = {
      'background-image': 'url(flower.png), url(ball.png), url(grass.png)',
      'background-position-x': 'center, 20%',
      'background-position-y': 'center, 80%',
    };
    expect(readLayers((property) => values[property] ?? '').map(({ x }) => x)).toEqual(['center', '20%', 'center']);
    expect(readLayers(() => 'none')).toEqual([]);
  });
  it('write back what was set even where it is as at first', () => {
    const plain: Layer = { image: 'url(a)', size: 'auto', x: '0%', y: '0%', repeat: 'repeat' };
    expect(printLayers([plain])).toEqual({ 'background-image': 'url(a)' });
    expect(printLayers([plain], ['background-size'])).toMatchObject({ 'background-size': 'auto' });
    expect(printLayers([])).toEqual({ 'background-image': 'none' });
  });
});

describe('a painted picture', () => {
  const picture = { width: 200, height: 100 };
  it('covers or is contained in its area', () => {
    const area = { width: 300, height: 300 };
    const at = (size: string) => paintedPicture({ size, x: 'center', y: '100%' }, picture, area);
    expect(at('cover')).toEqual({ left: -150, top: 0, width: 600, height: 300 });
    expect(at('contain')).toEqual({ left: 0, top: 150, width: 300, height: 150 });
    expect(at('50%')).toEqual({ left: 75, top: 225, width: 150, height: 75 });
    expect(at('auto 50px')).toEqual({ left: 100, top: 250, width: 100, height: 50 });
    expect(at('auto')).toEqual({ left: 50, top: 200, width: 200, height: 100 });
    expect(at('3em')).toBeUndefined();
  });
  it('is placed by its free room: the example of CSS Backgrounds 3, section 3.6', () => {
    // "25% 0%" of a 100px wide picture in a 300px wide area lies 50px from the left.
    const area = { width: 300, height: 100 };
    expect(paintedPicture({ size: 'auto', x: '25%', y: '0%' }, { width: 100, height: 50 }, area)?.left).toBe(50);
  });
});
