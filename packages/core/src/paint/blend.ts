import { lookup } from '../base/lookup.js';
/** Colour of a backdrop and of a source, straight, each channel 0 to 1; the result goes into `out`. */
export type Blend = (backdrop: Float32Array, source: Float32Array, out: Float32Array) => void;

type Channel = (backdrop: number, source: number) => number;

const each =
  (channel: Channel): Blend =>
  (b, s, out) => {
    for (let i = 0; i < 3; i++) out[i] = channel(b[i]!, s[i]!);
  };

const hardLight: Channel = (b, s) => (s <= 0.5 ? b * 2 * s : b + (2 * s - 1) - b * (2 * s - 1));
const softLight: Channel = (b, s) => {
  if (s <= 0.5) return b - (1 - 2 * s) * b * (1 - b);
  const d = b <= 0.25 ? ((16 * b - 12) * b + 4) * b : Math.sqrt(b);
  return b + (2 * s - 1) * (d - b);
};

const lum = (c: Float32Array) => 0.3 * c[0]! + 0.59 * c[1]! + 0.11 * c[2]!;
const sat = (c: Float32Array) => Math.max(c[0]!, c[1]!, c[2]!) - Math.min(c[0]!, c[1]!, c[2]!);

function setLum(colour: Float32Array, wanted: number, out: Float32Array): void {
  const shift = wanted - lum(colour);
  for (let i = 0; i < 3; i++) out[i] = colour[i]! + shift;
  const l = lum(out);
  const least = Math.min(out[0]!, out[1]!, out[2]!);
  const most = Math.max(out[0]!, out[1]!, out[2]!);
  if (least < 0) for (let i = 0; i < 3; i++) out[i] = l + ((out[i]! - l) * l) / (l - least);
  if (most > 1) for (let i = 0; i < 3; i++) out[i] = l + ((out[i]! - l) * (1 - l)) / (most - l);
}

const saturated = new Float32Array(3);
function setSat(colour: Float32Array, wanted: number): Float32Array {
  const least = Math.min(colour[0]!, colour[1]!, colour[2]!);
  const range = sat(colour);
  for (let i = 0; i < 3; i++) saturated[i] = range > 0 ? ((colour[i]! - least) * wanted) / range : 0;
  return saturated;
}

/** Blend modes of `mix-blend-mode`. Source: Compositing and Blending Level 1, sections 10.1 and 10.2. */
export const BLENDS: Readonly<Record<string, Blend>> = lookup({
  multiply: each((b, s) => b * s),
  screen: each((b, s) => b + s - b * s),
  overlay: each((b, s) => hardLight(s, b)),
  darken: each(Math.min),
  lighten: each(Math.max),
  'color-dodge': each((b, s) => (b === 0 ? 0 : s >= 1 ? 1 : Math.min(1, b / (1 - s)))),
  'color-burn': each((b, s) => (b >= 1 ? 1 : s <= 0 ? 0 : 1 - Math.min(1, (1 - b) / s))),
  'hard-light': each(hardLight),
  'soft-light': each(softLight),
  difference: each((b, s) => Math.abs(b - s)),
  exclusion: each((b, s) => b + s - 2 * b * s),
  hue: (b, s, out) => setLum(setSat(s, sat(b)), lum(b), out),
  saturation: (b, s, out) => setLum(setSat(b, sat(s)), lum(b), out),
  color: (b, s, out) => setLum(s, lum(b), out),
  luminosity: (b, s, out) => setLum(b, lum(s), out),
});
