import { clamp01, type Rgba } from './rgba.js';

const byte = (value: number) => Math.round(clamp01(value) * 255);
const hexByte = (value: number) => byte(value).toString(16).padStart(2, '0');

/** Six hex digits, or eight when the colour is translucent. */
export function toHex(colour: Rgba): string {
  const rgb = `#${hexByte(colour.r)}${hexByte(colour.g)}${hexByte(colour.b)}`;
  return byte(colour.alpha) === 255 ? rgb : rgb + hexByte(colour.alpha);
}

/**
 * The alpha of an eight-bit colour as CSSOM prints it: the shortest of two or three decimals that
 * rounds back to the same byte (CSS Color 4, section 15.1).
 */
export function printAlpha(alpha: number): string {
  const stored = byte(alpha);
  const two = Math.round((stored * 100) / 255) / 100;
  return String(byte(two) === stored ? two : Math.round((stored * 1000) / 255) / 1000);
}

/** `rgb(r, g, b)` or `rgba(r, g, b, a)`, the form in which CSSOM serialises legacy colours. */
export function toCssRgb(colour: Rgba): string {
  const rgb = `${byte(colour.r)}, ${byte(colour.g)}, ${byte(colour.b)}`;
  return byte(colour.alpha) === 255 ? `rgb(${rgb})` : `rgba(${rgb}, ${printAlpha(colour.alpha)})`;
}
