import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { placed, type Boxes } from '../testing/placed.js';
import { clippedPart } from './clip-path.js';

const BOX = { x: 100, y: 50, width: 200, height: 100 };
const area = (x: number, y: number, width = 20, height = 10) => ({ x, y, width, height });

describe('what a clip-path leaves', () => {
  it.each([
    ['inset(0px)', area(110, 60), 'all'],
    ['inset(0px -400px)', area(110, 60), 'all'],
    ['inset(50% 0px 0px)', area(110, 60), 'none'],
    ['inset(50% 0px 0px)', area(110, 110), 'all'],
    ['inset(50% 0px 0px)', area(110, 95), 'some'],
    ['inset(10px round 4px)', area(130, 80), 'some'],
    ['polygon(0px 0px, 100% 0px, 100% 100%, 0px 100%)', area(110, 60), 'all'],
    ['polygon(0px 0px, 100% 0px, 0px 100%)', area(110, 60), 'all'],
    ['polygon(0px 0px, 100% 0px, 0px 100%)', area(270, 130), 'none'],
    ['polygon(0px 0px, 100% 0px, 0px 100%)', area(190, 95), 'some'],
    ['polygon(evenodd, 0px 0px, 100% 0px, 0px 100%)', area(110, 60), 'all'],
    ['circle(50%)', area(190, 95), 'some'],
    ['path("M0 0h9")', area(190, 95), 'some'],
  ] as const)('%s', (clip, what, part) => expect(clippedPart(clip, BOX, what)).toBe(part));

  it('is the same for a box told by its sides and by its corners', () => {
    const share = fc.integer({ min: 0, max: 40 });
    fc.assert(
      fc.property(share, share, share, share, fc.nat(220), fc.nat(120), (top, right, bottom, left, x, y) => {
        const what = { x: 90.5 + x, y: 40.5 + y, width: 6, height: 6 };
        const [r, b] = [100 - right, 100 - bottom];
        const corners = `polygon(${left}% ${top}%, ${r}% ${top}%, ${r}% ${b}%, ${left}% ${b}%)`;
        const bySides = clippedPart(`inset(${top}% ${right}% ${bottom}% ${left}%)`, BOX, what);
        const byCorners = clippedPart(corners, BOX, what);
        // Near its edges a box may give way by half a pixel.
        if (byCorners !== 'some') expect(bySides).toBe(byCorners);
      }),
    );
  });
});

describe('a text over what is cut to a shape or faded by a mask', () => {
  const boxes: Boxes = { '.g': [0, 0, 400, 100], '.t': [20, 20, 100, 20] };
  const body = '<div class="g"></div><b class="t">Text</b>';
  const css = (more: string) => `.t { color: #fff; position: relative } .g { background: #000; ${more} }`;
  const at = (more: string) => placed(body, css(more), boxes).text('.t');

  it('has it behind where it is left, and not where it is cut away', () => {
    expect(at('').measured).toBe(21);
    expect(at('clip-path: inset(0)').measured).toBe(21);
    expect(at('clip-path: inset(60px 0 0)')).toMatchObject({ measured: 1, verdict: 'short' });
    expect(at('clip-path: polygon(0 0, 100% 0, 100% 100%)').verdict).toBe('unsure');
    expect(at('clip-path: circle(30px)').verdict).toBe('unsure');
  });

  it('is not sure over a mask, around it or beneath it', () => {
    expect(at('mask-image: linear-gradient(#000, transparent)').verdict).toBe('unsure');
    const within = placed(
      '<div class="g"><b class="t">Text</b></div>',
      css('mask-image: linear-gradient(#000, transparent)'),
      boxes,
    );
    expect(within.text('.t')).toMatchObject({ verdict: 'unsure', reason: expect.stringContaining('mask') as unknown });
    // Cut along with its ground it is read on that wherever it is seen.
    const cut = placed('<div class="g"><b class="t">Text</b></div>', css('clip-path: circle(30px)'), boxes);
    expect(cut.text('.t').measured).toBe(21);
  });
});

describe('a border that is a picture', () => {
  it('is not measured by the colour that it hides', () => {
    const boxes: Boxes = { '.g': [0, 0, 400, 100], '.t': [20, 20, 100, 20] };
    const body = '<div class="g"><b class="t">Text</b></div>';
    const css = (slice: string) =>
      `.g { border: 4px solid #000; border-image: linear-gradient(#fff, #eee) ${slice} } .t { color: #000 }`;
    expect(placed(body, css('1'), boxes).text('.t').measured).toBe(21);
    expect(placed(body, css('1 fill'), boxes).text('.t').verdict).toBe('unsure');
  });
});
