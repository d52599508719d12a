/**
 * hsl() to sRGB by the formula of CSS Color 4, section 7.1, in its own order of operations, since a channel on the edge
 * between two bytes falls to one side or the other by it.
 *
 * @param hue in degrees
 * @param saturation 0 to 1
 * @param lightness 0 to 1
 * @returns red, green and blue, 0 to 1
 */
export function hslToSrgb(hue: number, saturation: number, lightness: number): [number, number, number] {
  const h = ((hue % 360) + 360) % 360;
  const channel = (n: number) => {
    const k = (n + h / 30) % 12;
    const a = saturation * Math.min(lightness, 1 - lightness);
    return lightness - a * Math.max(-1, Math.min(k - 3, 9 - k, 1));
  };
  return [channel(0), channel(8), channel(4)];
}
