import 'culori/css';
import { converter, parse } from 'culori/fn';
import { onceForText } from '../memo/once.js';
import { ReadColour } from './read-colour.js';
import { clamp01, type Rgba } from './rgba.js';
import { systemColour } from './system.js';

const toRgb = converter('rgb');

/** The library throws on some text that is no colour, such as an unfinished function. */
function read(text: string) {
  // It also takes hex digits without their hash, which CSS does not.
  if (/^[0-9a-f]+$/.test(text)) return undefined;
  try {
    return parse(text);
  } catch {
    return undefined;
  }
}

function parseAfresh(text: string): Rgba | undefined {
  const trimmed = text.trim().toLowerCase();
  const parsed = read(systemColour(trimmed) ?? trimmed);
  if (!parsed) return undefined;
  const rgb = toRgb(parsed);
  const legacy = parsed.mode === 'rgb' || parsed.mode === 'hsl' || parsed.mode === 'hwb';
  // Legacy colours are stored in eight bits a channel, so that is what a browser paints and reports.
  const channel = (value: number | undefined) => {
    const clipped = clamp01(value ?? 0);
    return legacy ? Math.round(clipped * 255) / 255 : clipped;
  };
  return new ReadColour(channel(rgb.r), channel(rgb.g), channel(rgb.b), clamp01(parsed.alpha ?? 1));
}

/**
 * Reads any absolute CSS colour: hex, names, rgb(), hsl(), hwb(), lab(), lch(), oklab(), oklch(), color(), system colours.
 * Channels outside sRGB are clipped, as browsers clip them when painting.
 *
 * @returns undefined for text that is not an absolute colour (`currentcolor` and `var()` among them)
 */
export const parseColour: (text: string) => Rgba | undefined = onceForText(parseAfresh);
