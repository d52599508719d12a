import { writtenFunctions } from '../value/split-text.js';
import { clamp01 } from '../colour/rgba.js';
import { lookup } from '../base/lookup.js';

/** Changes a straight colour with its alpha in place; channels 0 to 1. */
export type ColourFilter = (colour: Float32Array) => void;

export interface Filters {
  readonly apply: readonly ColourFilter[];
  /** Names of functions that do more than change each colour by itself, such as `blur`. */
  readonly inexact: readonly string[];
  /** Standard deviation of all blurs together, in pixels; 0 without any. */
  readonly blur: number;
}

/** A matrix of three rows over red, green and blue. */
const matrix =
  (m: readonly number[]): ColourFilter =>
  (c) => {
    const [r, g, b] = [c[0]!, c[1]!, c[2]!];
    for (let i = 0; i < 3; i++) c[i] = clamp01(m[i * 3]! * r + m[i * 3 + 1]! * g + m[i * 3 + 2]! * b);
  };
const each =
  (channel: (value: number) => number): ColourFilter =>
  (c) => {
    for (let i = 0; i < 3; i++) c[i] = clamp01(channel(c[i]!));
  };

/** Part of the way from a matrix to leaving colours as they are: at 0 the matrix, at 1 no change, beyond it the opposite. */
const from = (target: readonly number[], share: number) =>
  matrix(target.map((value, i) => value + ((i % 4 === 0 ? 1 : 0) - value) * share));

const thrice = (row: readonly number[]) => [...row, ...row, ...row];
const DULL = thrice([0.213, 0.715, 0.072]);
const GREY = thrice([0.2126, 0.7152, 0.0722]);
const BROWN = [0.393, 0.769, 0.189, 0.349, 0.686, 0.168, 0.272, 0.534, 0.131];
const saturate = (amount: number) => from(DULL, amount);
const grayscale = (amount: number) => from(GREY, 1 - Math.min(1, amount));
const sepia = (amount: number) => from(BROWN, 1 - Math.min(1, amount));
const hueRotate = (degrees: number) => {
  const c = Math.cos((degrees * Math.PI) / 180);
  const s = Math.sin((degrees * Math.PI) / 180);
  return matrix([
    0.213 + c * 0.787 - s * 0.213,
    0.715 - c * 0.715 - s * 0.715,
    0.072 - c * 0.072 + s * 0.928,
    0.213 - c * 0.213 + s * 0.143,
    0.715 + c * 0.285 + s * 0.14,
    0.072 - c * 0.072 - s * 0.283,
    0.213 - c * 0.213 - s * 0.787,
    0.715 - c * 0.715 + s * 0.715,
    0.072 + c * 0.928 + s * 0.072,
  ]);
};

/** Filter functions that change each colour by itself. Source: Filter Effects Module Level 1, sections 6.1 and 8. */
const FUNCTIONS: Readonly<Record<string, (amount: number) => ColourFilter>> = lookup({
  brightness: (amount) => each((value) => value * amount),
  contrast: (amount) => each((value) => (value - 0.5) * amount + 0.5),
  saturate,
  grayscale,
  sepia,
  invert: (amount) => each((value) => value * (1 - 2 * Math.min(1, amount)) + Math.min(1, amount)),
  opacity: (amount) => (c) => {
    c[3] = c[3]! * Math.min(1, amount);
  },
  'hue-rotate': hueRotate,
});

const PER_TURN: Readonly<Record<string, number>> = lookup({ deg: 1, rad: 180 / Math.PI, grad: 0.9, turn: 360 });

/** Reads a computed `filter` or `backdrop-filter`. */
export function readFilters(text: string): Filters {
  const apply: ColourFilter[] = [];
  const inexact: string[] = [];
  let variance = 0;
  if (text === 'none') return { apply, inexact, blur: 0 };
  for (const { name, argument } of writtenFunctions(text)) {
    const make = FUNCTIONS[name.toLowerCase()];
    const number = Number.parseFloat(argument);
    if (!make) {
      // What falls behind a shape leaves the shape itself as it is.
      if (name.toLowerCase() !== 'drop-shadow') inexact.push(name.toLowerCase());
      if (name.toLowerCase() === 'blur') variance += (number || 0) ** 2;
      continue;
    }
    const unit = /(deg|rad|grad|turn)$/i.exec(argument.trim())?.[1]?.toLowerCase();
    const scale = unit ? PER_TURN[unit]! : argument.trim().endsWith('%') ? 0.01 : 1;
    apply.push(make((Number.isFinite(number) ? number : 1) * scale));
  }
  return { apply, inexact, blur: Math.sqrt(variance) };
}
