import { describe, expect, it } from '@jest/globals';
import { coloursAlong } from '../check/edge.js';
import type { Rgba } from '../colour/rgba.js';
import { placed, type Boxes } from '../testing/placed.js';

const BODY = '<div class="g"></div><p class="t">Text</p>';
const BOXES: Boxes = { '.g': [40, 40, 200, 60], '.t': [40, 110, 200, 20] };
const check = (css: string, boxes = BOXES) => placed(BODY, `.t { color: #666 } ${css}`, boxes).text('.t');

describe('a shadow that a box throws', () => {
  it('darkens the ground of a text beside the box (CSS Backgrounds 3, section 6)', () => {
    expect(check('').verdict).toBe('passes');
    expect(check('.g { box-shadow: 0 20px 20px rgb(0 0 0 / 60%) }').verdict).toBe('short');
    // One with a sharp edge is measured like any ground of that colour.
    const sharp = check('.g { box-shadow: 0 40px 0 #999 }');
    expect(sharp).toMatchObject({ verdict: 'short', basis: 'geometry' });
    expect(sharp.measured).toBeCloseTo(check('body { background: #999 }').measured!, 5);
  });

  it('changes nothing where it does not reach, or is not seen', () => {
    const { measured } = check('');
    for (const shadow of [
      '0 -20px 20px #000',
      '0 0 6px 1px #000',
      '0 40px 20px transparent',
      '0 40px 9px rgb(0 0 0 / 0.1%)',
    ])
      expect(check(`.g { box-shadow: ${shadow} }`).measured).toBe(measured);
  });

  it('is not drawn under its own box, which may be clear', () => {
    const within = { ...BOXES, '.t': [60, 60, 100, 20] } as const;
    expect(check('.g { box-shadow: 0 0 0 30px #000 }', within).measured).toBe(check('', within).measured);
  });

  it('is no ground to its own box: a ring by a shadow lies on the page', () => {
    const { looking, one } = placed(BODY, '.g { box-shadow: 0 0 0 4px #147 }', BOXES);
    const strip = { x: 100, y: 38, width: 10, height: 1 };
    const red = (colours: ReturnType<typeof coloursAlong>) => (colours as readonly Rgba[])[0]!.r;
    expect(red(coloursAlong(looking, one('.g'), strip))).toBe(1);
    expect(red(coloursAlong(looking, one('.t'), strip))).toBeCloseTo(0x11 / 255, 5);
  });

  it('is cut off with its box', () => {
    const body = `<div class="o">${'<div class="g"></div>'}</div><p class="t">Text</p>`;
    const css = '.t { color: #666 } .g { box-shadow: 0 40px 0 #000 } .o { overflow: hidden }';
    const { text } = placed(body, css, { ...BOXES, '.o': [40, 40, 200, 62] });
    expect(text('.t').verdict).toBe('passes');
  });
});
