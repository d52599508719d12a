import { fade } from '../colour/composite.js';
import { parseColour } from '../colour/parse.js';
import { toHex } from '../colour/print.js';
import { overLook } from './finish.js';
import type { Look, Setting } from './model.js';
import { namesSwatch, replaceSwatches } from './named-swatches.js';

/** What looks of a site may name: colours of its palette, and looks that are kept to be worn by several components. */
export interface NamedThings {
  /** Colours as CSS text, by the ids of their swatches. */
  readonly swatches: ReadonlyMap<string, string>;
  /** Looks by the ids of their finishes. */
  readonly finishes: ReadonlyMap<string, Look>;
}

/** Swatches that name swatches, and finishes that follow finishes, end here: what goes round in a circle is left out. */
const MAX_DEPTH = 8;

/**
 * A value with colours in place of the swatches that it names, wherever they stand in it.
 *
 * @returns undefined where a swatch is not there any more, or names itself
 */
export function withSwatches(value: string, swatches: ReadonlyMap<string, string>, depth = 0): string | undefined {
  if (!namesSwatch(value)) return value;
  if (depth > MAX_DEPTH) return undefined;
  let isWhole = true;
  const text = replaceSwatches(value, ({ id, opacity }) => {
    const colour = swatches.get(id);
    const whole = colour === undefined ? undefined : withSwatches(colour, swatches, depth + 1);
    const share = opacity === undefined ? 1 : Number(opacity.replace('%', '')) / (opacity.endsWith('%') ? 100 : 1);
    if (whole !== undefined && !Number.isNaN(share)) return faded(whole, share);
    isWhole = false;
    return '';
  });
  return isWhole ? text : undefined;
}

/** A colour that lets more through; one that is a custom property is mixed with nothing. */
function faded(css: string, opacity: number): string {
  if (opacity >= 1) return css;
  const colour = parseColour(css);
  if (!colour) return `color-mix(in srgb, ${css} ${Math.round(Math.max(0, opacity) * 1e4) / 100}%, transparent)`;
  return toHex(fade(colour, Math.max(0, opacity)));
}

/** A look with all that it names in its place, and the ids of what it names that is not there. */
export interface ResolvedLook {
  readonly look: Look;
  readonly missing: readonly string[];
}

/**
 * A look as it is worn: under its own settings those of the finish that it follows, and colours in place of swatches. At
 * an equal key the look's own setting wins. A setting whose swatch is gone says nothing.
 */
export function resolveNames(look: Look, named: NamedThings): ResolvedLook {
  const missing: string[] = [];
  const own = withFinish(look, named, missing);
  if (!own.settings.some(({ value }) => namesSwatch(value))) return { look: own, missing };
  const settings = own.settings.flatMap((setting): Setting[] => {
    const value = withSwatches(setting.value, named.swatches);
    if (value === setting.value) return [setting];
    if (value !== undefined) return [{ ...setting, value }];
    missing.push(setting.value);
    return [];
  });
  return { look: { ...own, settings }, missing };
}

function withFinish(look: Look, { finishes }: NamedThings, missing: string[]): Look {
  const seen = new Set<string>();
  let merged = look;
  for (let id = look.finish; id !== undefined && !seen.has(id);) {
    seen.add(id);
    const finish: Look | undefined = finishes.get(id);
    if (!finish) {
      missing.push(id);
      break;
    }
    merged = overLook(finish, merged);
    id = finish.finish;
  }
  return merged;
}
