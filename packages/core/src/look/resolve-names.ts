import { generate, walk, type FunctionNode } from 'css-tree';
import { readCss } from '../css/syntax/read.js';
import { settingIndex, type Look, type Setting } from './model.js';

/** What looks of a site may name: colours of its palette, and looks that are kept to be worn by several components. */
export interface NamedThings {
  /** Colours as CSS text, by the ids of their swatches. */
  readonly swatches: ReadonlyMap<string, string>;
  /** Looks by the ids of their finishes. */
  readonly finishes: ReadonlyMap<string, Look>;
}

export const NOTHING_NAMED: NamedThings = { swatches: new Map(), finishes: new Map() };

/** Swatches that name swatches, and finishes that follow finishes, end here: what goes round in a circle is left out. */
const MAX_DEPTH = 8;
const SWATCH = 'swatch';
/** Most values name none, and are not read for it. */
const mayName = (value: string): boolean => /swatch\(/i.test(value);

/**
 * A value with colours in place of the swatches that it names, wherever they stand in it.
 *
 * @returns undefined where a swatch is not there any more, or names itself
 */
export function withSwatches(value: string, swatches: ReadonlyMap<string, string>, depth = 0): string | undefined {
  if (!mayName(value)) return value;
  if (depth > MAX_DEPTH) return undefined;
  let isWhole = true;
  const tree = readCss(value, 'value');
  if (!tree) return undefined;
  walk(tree, {
    visit: 'Function',
    enter(node: FunctionNode, item, list) {
      if (node.name.toLowerCase() !== SWATCH) return;
      const id = node.children
        .toArray()
        .map((child) => generate(child))
        .join('')
        .trim();
      const colour = swatches.get(id);
      const resolved = colour === undefined ? undefined : withSwatches(colour, swatches, depth + 1);
      if (resolved === undefined) isWhole = false;
      else if (list) list.replace(item, list.createItem({ type: 'Raw', value: resolved }));
    },
  });
  return isWhole ? generate(tree) : undefined;
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
  if (!own.settings.some(({ value }) => mayName(value))) return { look: own, missing };
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
    merged = {
      ...merged,
      settings: [...new Map([...settingIndex(finish), ...settingIndex(merged)]).values()],
      muted: [...new Set([...finish.muted, ...merged.muted])],
    };
    id = finish.finish;
  }
  return merged;
}
