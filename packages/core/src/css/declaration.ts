import { generate, type Value } from 'css-tree';
import { canonicalName } from './property/names.js';
import { isLogical } from './property/logical.js';
import { PROPERTIES } from './property/table.js';
import { quirkyText } from './quirks.js';
import { readCss } from './read.js';
import type { Declaration, Place } from './sheet.js';
import { SHORTHANDS } from './shorthand/index.js';
import { isValidValue } from './validity.js';

export const CSS_WIDE: ReadonlySet<string> = new Set([
  'inherit',
  'initial',
  'unset',
  'revert',
  'revert-layer',
  'revert-rule',
]);

const SUBSTITUTION = /(^|[^-\w])(var|env)\(/i;

/** True when the value can only be known once custom properties are put in. */
export const needsSubstitution = (text: string): boolean => SUBSTITUTION.test(text);

const parsed = new Map<string, Value | null>();
const MAX_KEPT = 50_000;

/** Parses value text; undefined when it is not CSS at all. Trees are shared, so they must not be changed. */
export function parseValue(text: string): Value | undefined {
  let value = parsed.get(text);
  if (value === undefined) {
    const node = readCss(text, 'value');
    value = node?.type === 'Value' ? node : null;
    if (parsed.size > MAX_KEPT) parsed.clear();
    parsed.set(text, value);
  }
  return value ?? undefined;
}

export { isValidValue };

type Longhands = readonly (readonly [property: string, value: string, shorthand?: string])[];
const NONE: Longhands = [];
const spread = new Map<string, Longhands>();

/**
 * Spreads one declaration over longhands, in canonical names. What a browser would drop gives an empty list.
 *
 * @param quirks the sheet belongs to a page in quirks mode
 */
export function expandDeclaration(
  declared: string,
  text: string,
  important: boolean,
  place: Place,
  quirks = false,
): Declaration[] {
  const property = canonicalName(declared);
  if (property.startsWith('--')) return [{ property, value: text.trim(), important, place }];
  const key = `${quirks ? 'q' : ''}${property}:${text}`;
  let longhands = spread.get(key);
  if (!longhands) {
    longhands = longhandsOf(property, quirks ? quirkyText(property, text.trim()) : text.trim());
    if (spread.size > MAX_KEPT) spread.clear();
    spread.set(key, longhands);
  }
  return longhands.map(([name, value, shorthand]) =>
    shorthand ? { property: name, value, important, place, shorthand } : { property: name, value, important, place },
  );
}

function longhandsOf(property: string, value: string): Longhands {
  if (value === '') return NONE;
  const shorthand = SHORTHANDS.get(property);
  const word = value.toLowerCase();
  const wide = CSS_WIDE.has(word);
  if (property === 'all') {
    if (!wide) return NONE;
    return [...PROPERTIES.keys()]
      .filter((name) => name !== 'direction' && name !== 'unicode-bidi')
      .map((name) => [name, word] as const);
  }
  if (!shorthand) {
    if (wide) return [[property, word]];
    if (needsSubstitution(value)) return [[property, value]];
    const node = parseValue(value);
    return node && isValidValue(grammarName(property), node) ? [[property, generate(node)]] : NONE;
  }
  if (wide) return shorthand.longhands.map((name) => [name, word] as const);
  if (needsSubstitution(value)) return shorthand.longhands.map((name) => [name, value, property] as const);
  const longhands = expandShorthand(property, value);
  return longhands ? Object.entries(longhands) : NONE;
}

/** A logical longhand takes what its physical one takes. */
const grammarName = (property: string): string =>
  isLogical(property) && property.startsWith('border') && property.endsWith('radius')
    ? 'border-top-left-radius'
    : property;

/** The longhands of a shorthand's value without var(); undefined when it is invalid. */
export function expandShorthand(name: string, text: string): Readonly<Record<string, string>> | undefined {
  const node = parseValue(text);
  if (!node) return undefined;
  const longhands = SHORTHANDS.get(name)?.expand(node);
  if (!longhands) return undefined;
  for (const [property, part] of Object.entries(longhands)) {
    const value = parseValue(part);
    if (!value || !isValidValue(property, value)) return undefined;
  }
  return longhands;
}

/** True for any text that the grammar of `color` takes: absolute colours, `currentcolor`, var() and the rest. */
export function isColourText(text: string): boolean {
  if (needsSubstitution(text)) return parseValue(text) !== undefined;
  const value = parseValue(text);
  return value !== undefined && value.children.size > 0 && isValidValue('color', value);
}
