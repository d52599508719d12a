import { describe, expect, it } from '@jest/globals';
import { placed, type Boxes } from '../testing/placed.js';
import { seenSides } from './cut-off.js';

const BODY = '<div class="g"><a class="t" href="#">Text</a></div>';
const BOXES: Boxes = { '.g': [10, 10, 100, 40], '.t': [10, 10, 100, 40] };
const RING = { offset: 2, thickness: 2 };
const sides = (css: string, ring = RING, boxes = BOXES) => {
  const { looking, one } = placed(BODY, css, boxes);
  return seenSides(looking, one('.t'), ring);
};

describe('what is seen of a ring around a control', () => {
  it('is all of it where nothing cuts it off', () => {
    expect(sides('')).toHaveLength(4);
    expect(sides('.g { overflow: hidden }', RING, { ...BOXES, '.g': [0, 0, 120, 60] })).toHaveLength(4);
  });

  it.each(['overflow: hidden', 'overflow: clip', 'overflow: auto', 'contain: paint', 'clip-path: inset(0)'])(
    'is nothing in a tight box with %s',
    (css) => {
      expect(sides(`.g { ${css} }`)).toEqual([]);
      // Within the control it is seen.
      expect(sides(`.g { ${css} }`, { offset: -3, thickness: 2 })).toHaveLength(4);
    },
  );

  it('is what is left on the sides that have room', () => {
    expect(sides('.g { overflow: hidden }', RING, { ...BOXES, '.g': [10, 0, 200, 50] })).toEqual(['top', 'right']);
    expect(sides('.g { overflow-x: clip }')).toEqual(['top', 'bottom']);
  });

  it('is cut with the control by its own clip-path', () => {
    expect(sides('.t { clip-path: polygon(0 0, 100% 0, 100% 100%, 0 100%) }')).toEqual([]);
    expect(sides('.t { clip-path: inset(-8px) }')).toHaveLength(4);
  });

  it('is not cut by what does not hold it', () => {
    const out = '.g { overflow: hidden; position: static } .t { position: absolute }';
    expect(sides(out)).toHaveLength(4);
    expect(sides(out.replace('static', 'relative'))).toEqual([]);
    expect(sides('.g { overflow: hidden } .t { position: fixed }')).toHaveLength(4);
    // What scrolls brings to where there is room what is not all in sight.
    expect(sides('.g { overflow: auto }', RING, { ...BOXES, '.t': [10, 30, 100, 40] })).toHaveLength(4);
  });
});
