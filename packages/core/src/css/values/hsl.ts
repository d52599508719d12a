const f = Math.fround;

/**
 * hsl() to sRGB as CSS Color 4, section 7.1 defines it, in the single precision that Chromium computes in, since a
 * channel on the edge between two bytes falls to one side or the other by it.
 *
 * @param hue in degrees
 * @param saturation 0 to 1
 * @param lightness 0 to 1
 * @returns red, green and blue, 0 to 1
 */
export function hslToSrgb(hue: number, saturation: number, lightness: number): [number, number, number] {
  const h = f(((hue % 360) + 360) % 360);
  const [s, l] = [f(saturation), f(lightness)];
  const channel = (n: number) => {
    const k = f(f(n + f(h / 30)) % 12);
    const a = f(s * Math.min(l, f(1 - l)));
    return f(l - f(a * Math.max(-1, Math.min(f(k - 3), f(9 - k), 1))));
  };
  return [channel(0), channel(8), channel(4)];
}
