import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { BadFieldError, fieldOf, packField, unpackField, type PixelField } from './field.js';
import { resample, sizedTo } from './resample.js';

const side = fc.integer({ min: 1, max: 9 });
const anyField: fc.Arbitrary<PixelField> = fc
  .tuple(side, side)
  .chain(([width, height]) =>
    fc
      .uint8Array({ minLength: width * height * 4, maxLength: width * height * 4 })
      .map((bytes) => fieldOf(width, height, new Uint8ClampedArray(bytes))),
  );

describe('a pixel field', () => {
  it('is the same after it was packed', () => {
    fc.assert(
      fc.property(anyField, side, (field, times) => {
        const drawn = { ...field, natural: { width: field.width / times, height: 12.34 } };
        const back = unpackField(packField(drawn));
        expect([...back.data]).toEqual([...drawn.data]);
        expect([back.width, back.height, back.opaque]).toEqual([drawn.width, drawn.height, drawn.opaque]);
        // Natural sizes are kept in hundredths.
        expect(Math.abs(back.natural.width - drawn.natural.width)).toBeLessThan(0.0051);
        expect(back.natural.height).toBeCloseTo(12.34, 2);
      }),
    );
  });

  it('is opaque where no pixel lets anything through', () => {
    fc.assert(
      fc.property(anyField, ({ data, opaque }) => {
        expect(opaque).toBe(data.every((byte, i) => i % 4 < 3 || byte === 255));
      }),
    );
  });

  it('is refused where its bytes are not its pixels', () => {
    const bytes = packField(fieldOf(2, 2, new Uint8ClampedArray(16)));
    expect(() => unpackField(bytes.slice(0, -1))).toThrow(BadFieldError);
    expect(() => unpackField(bytes.slice(0, 3))).toThrow();
    expect(() => unpackField(new Uint8Array(64))).toThrow(BadFieldError);
    expect(() => fieldOf(2, 2, new Uint8ClampedArray(15))).toThrow('16 bytes, not 15');
  });
});

describe('a field at another size', () => {
  it('of one colour stays of that colour', () => {
    const colour = fc.tuple(fc.nat(255), fc.nat(255), fc.nat(255), fc.integer({ min: 1, max: 255 }));
    fc.assert(
      fc.property(side, side, side, side, colour, (width, height, toWidth, toHeight, pixel) => {
        const data = new Uint8ClampedArray(Array.from({ length: width * height }, () => pixel).flat());
        const made = resample(fieldOf(width, height, data), toWidth, toHeight);
        expect([made.width, made.height]).toEqual([toWidth, toHeight]);
        for (let i = 0; i < made.data.length; i++)
          expect(Math.abs(made.data[i]! - pixel[i % 4]!)).toBeLessThanOrEqual(1);
      }),
    );
  });

  it('has no lighter and no darker pixel than it had', () => {
    fc.assert(
      fc.property(anyField, side, side, (field, width, height) => {
        const data = new Uint8ClampedArray(field.data);
        for (let i = 3; i < data.length; i += 4) data[i] = 255;
        const before = fieldOf(field.width, field.height, data);
        const after = resample(before, width, height);
        for (let k = 0; k < 3; k++) {
          const of = ({ data: bytes }: PixelField) => [...bytes].filter((_, i) => i % 4 === k);
          expect(Math.min(...of(after))).toBeGreaterThanOrEqual(Math.min(...of(before)) - 1);
          expect(Math.max(...of(after))).toBeLessThanOrEqual(Math.max(...of(before)) + 1);
        }
      }),
    );
  });

  it('takes no colour from what is transparent', () => {
    const field = fieldOf(2, 1, new Uint8ClampedArray([200, 10, 10, 255, 0, 255, 0, 0]));
    const [r, g, b, a] = resample(field, 1, 1).data;
    expect([r, g, b]).toEqual([200, 10, 10]);
    expect(a).toBe(128);
  });

  it('made smaller by halves is the mean of what falls into a pixel', () => {
    fc.assert(
      fc.property(fc.uint8Array({ minLength: 4, maxLength: 4 }), (greys) => {
        const data = new Uint8ClampedArray([...greys].flatMap((grey) => [grey, grey, grey, 255]));
        const [mean] = resample(fieldOf(2, 2, data), 1, 1).data;
        expect(Math.abs(mean! - greys.reduce((sum, grey) => sum + grey, 0) / 4)).toBeLessThanOrEqual(1);
      }),
    );
  });

  it('is the same object when the size is its own, and when it is asked for again', () => {
    const field = fieldOf(4, 2, new Uint8ClampedArray(32));
    expect(resample(field, 4, 2)).toBe(field);
    expect(sizedTo(field, 2.2, 0.4)).toBe(sizedTo(field, 2, 1));
  });
});
