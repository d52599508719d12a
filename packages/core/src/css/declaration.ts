import { generate, lexer, type Value } from 'css-tree';
import { canonicalName } from './property/names.js';
import { PROPERTIES } from './property/table.js';
import { readCss } from './read.js';
import type { Declaration, Place } from './sheet.js';
import { SHORTHANDS } from './shorthand/index.js';
import { isColour } from './shorthand/split.js';

export const CSS_WIDE: ReadonlySet<string> = new Set(['inherit', 'initial', 'unset', 'revert', 'revert-layer']);

const SUBSTITUTION = /(^|[^-\w])(var|env)\(/i;

/** True when the value can only be known once custom properties are put in. */
export const needsSubstitution = (text: string): boolean => SUBSTITUTION.test(text);

/** Parses value text; undefined when it is not CSS at all. */
export function parseValue(text: string): Value | undefined {
  const node = readCss(text, 'value');
  return node?.type === 'Value' ? node : undefined;
}

/** True when the property's grammar takes the value; what the grammar's data do not know is let through. */
export function isValidValue(property: string, value: Value): boolean {
  const info = PROPERTIES.get(property);
  if (info?.kind === 'colour') {
    const only = value.children.size === 1 ? value.children.first : null;
    if (only?.type === 'Function' && isColour(only)) return true;
  }
  const result = lexer.matchProperty(property, value);
  return !result.error || !/mismatch/i.test(result.error.message);
}

/**
 * Spreads one declaration over longhands, in canonical names. What a browser would drop gives an empty list.
 *
 * @param value parsed, or text when it must wait for substitution
 */
export function expandDeclaration(declared: string, text: string, important: boolean, place: Place): Declaration[] {
  const property = canonicalName(declared);
  const value = text.trim();
  if (property.startsWith('--')) return [{ property, value, important, place }];
  if (value === '') return [];
  const shorthand = SHORTHANDS.get(property);
  const wide = CSS_WIDE.has(value.toLowerCase());
  if (property === 'all') {
    if (!wide) return [];
    return [...PROPERTIES.keys()]
      .filter((name) => name !== 'direction')
      .map((name) => ({ property: name, value: value.toLowerCase(), important, place }));
  }
  if (!shorthand) {
    if (wide) return [{ property, value: value.toLowerCase(), important, place }];
    if (needsSubstitution(value)) return [{ property, value, important, place }];
    const parsed = parseValue(value);
    return parsed && isValidValue(property, parsed) ? [{ property, value: generate(parsed), important, place }] : [];
  }
  if (wide) {
    return shorthand.longhands.map((name) => ({ property: name, value: value.toLowerCase(), important, place }));
  }
  if (needsSubstitution(value)) {
    return shorthand.longhands.map((name) => ({ property: name, value, important, place, shorthand: property }));
  }
  const longhands = expandShorthand(property, value);
  return longhands
    ? Object.entries(longhands).map(([name, part]) => ({ property: name, value: part, important, place }))
    : [];
}

/** The longhands of a shorthand's value without var(); undefined when it is invalid. */
export function expandShorthand(name: string, text: string): Readonly<Record<string, string>> | undefined {
  const parsed = parseValue(text);
  if (!parsed) return undefined;
  const longhands = SHORTHANDS.get(name)?.expand(parsed);
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
