/**
 * A colour as a browser paints it: gamma-encoded sRGB channels and alpha, each 0 to 1, not premultiplied.
 */
export interface Rgba {
  readonly r: number;
  readonly g: number;
  readonly b: number;
  readonly alpha: number;
}

export const TRANSPARENT: Rgba = { r: 0, g: 0, b: 0, alpha: 0 };
export const BLACK: Rgba = { r: 0, g: 0, b: 0, alpha: 1 };
export const WHITE: Rgba = { r: 1, g: 1, b: 1, alpha: 1 };

export const clamp01 = (value: number): number => (value < 0 ? 0 : value > 1 ? 1 : value);

/** True when two colours paint alike in eight bits a channel. */
export function sameRgba(a: Rgba, b: Rgba): boolean {
  const near = (x: number, y: number) => Math.round(x * 255) === Math.round(y * 255);
  return near(a.r, b.r) && near(a.g, b.g) && near(a.b, b.b) && Math.abs(a.alpha - b.alpha) < 0.002;
}
