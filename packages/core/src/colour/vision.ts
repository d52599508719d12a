import { linear } from './contrast.js';
import { luminance } from './contrast.js';
import { clamp01, type Rgba } from './rgba.js';

/** Ways in which people see colours differently, and grey, in which only lightness is left. */
export const VISIONS = ['protan', 'deutan', 'tritan', 'grey'] as const;
export type Vision = (typeof VISIONS)[number];

/**
 * Full loss of one sort of cone, as matrices over linear-light sRGB, row by row. Source: Machado, Oliveira and Fernandes,
 * "A Physiologically-based Model for Simulation of Color Vision Deficiency" (2009), severity 1.0.
 */
export const VISION_MATRICES: Readonly<Record<Exclude<Vision, 'grey'>, readonly number[]>> = {
  protan: [0.152286, 1.052583, -0.204868, 0.114503, 0.786281, 0.099216, -0.003882, -0.048116, 1.051998],
  deutan: [0.367322, 0.860646, -0.227968, 0.280085, 0.672501, 0.047413, -0.01182, 0.04294, 0.968881],
  tritan: [1.255528, -0.076749, -0.178779, -0.078411, 0.930809, 0.147602, 0.004733, 0.691367, 0.3039],
};

/** Gamma-encoded value of a linear-light channel. Source: CSS Color 4, section 17 (sample code). */
export const encode = (value: number): number =>
  value <= 0.0031308 ? clamp01(value * 12.92) : clamp01(1.055 * value ** (1 / 2.4) - 0.055);

/** A colour as it is seen so; alpha stays. */
export function seenAs(colour: Rgba, vision: Vision): Rgba {
  if (vision === 'grey') {
    const grey = encode(luminance(colour));
    return { r: grey, g: grey, b: grey, alpha: colour.alpha };
  }
  const m = VISION_MATRICES[vision];
  const [r, g, b] = [linear(colour.r), linear(colour.g), linear(colour.b)];
  const row = (i: number) => encode(clamp01(m[i]! * r + m[i + 1]! * g + m[i + 2]! * b));
  return { r: row(0), g: row(3), b: row(6), alpha: colour.alpha };
}
