import fc from 'fast-check';
import type { Rgba } from '../colour/rgba.js';

const byte = fc.integer({ min: 0, max: 255 }).map((value) => value / 255);

export const opaque: fc.Arbitrary<Rgba> = fc.record({ r: byte, g: byte, b: byte, alpha: fc.constant(1) });
export const anyColour: fc.Arbitrary<Rgba> = fc.record({ r: byte, g: byte, b: byte, alpha: byte });
