import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { anyColour, opaque } from '../testing/arbitraries.js';
import { fade, over } from './composite.js';
import { TRANSPARENT, type Rgba } from './rgba.js';

type Premultiplied = [number, number, number, number];
const premultiply = ({ r, g, b, alpha }: Rgba): Premultiplied => [r * alpha, g * alpha, b * alpha, alpha];

/**
 * Source: W3C Compositing and Blending Level 1, section 9.1.4 (source over): Fa = 1, Fb = 1 − αs, and section 9.1:
 * co = αs·Fa·Cs + αb·Fb·Cb, αo = αs·Fa + αb·Fb, on premultiplied colours.
 */
function porterDuffOver(source: Rgba, backdrop: Rgba): Premultiplied {
  const s = premultiply(source);
  const b = premultiply(backdrop);
  const rest = 1 - source.alpha;
  return [s[0] + b[0] * rest, s[1] + b[1] * rest, s[2] + b[2] * rest, s[3] + b[3] * rest];
}

const close = (a: Premultiplied, b: Premultiplied) => a.forEach((value, i) => expect(value).toBeCloseTo(b[i]!, 10));

describe('source-over by the formulas of W3C Compositing', () => {
  it('agrees with the premultiplied form', () => {
    fc.assert(fc.property(anyColour, anyColour, (a, b) => close(premultiply(over(a, b)), porterDuffOver(a, b))));
  });

  it('is associative, so layers may be flattened from either end', () => {
    fc.assert(
      fc.property(anyColour, anyColour, anyColour, (a, b, c) =>
        close(premultiply(over(over(a, b), c)), premultiply(over(a, over(b, c)))),
      ),
    );
  });

  it('leaves an opaque source as it is, and shows the backdrop through nothing', () => {
    fc.assert(
      fc.property(opaque, anyColour, (source, backdrop) => {
        expect(over(source, backdrop)).toEqual(source);
        close(premultiply(over(TRANSPARENT, backdrop)), premultiply(backdrop));
      }),
    );
  });

  it('fades a group as a whole: half of an opaque colour over white lies halfway', () => {
    const half = over(fade({ r: 0, g: 0, b: 0, alpha: 1 }, 0.5), { r: 1, g: 1, b: 1, alpha: 1 });
    expect(half).toEqual({ r: 0.5, g: 0.5, b: 0.5, alpha: 1 });
  });
});
