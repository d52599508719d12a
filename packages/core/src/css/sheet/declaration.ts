import { generate, List, type CssNode, type Value } from 'css-tree';
import { canonicalName } from '../property/names.js';
import { isLogical } from '../property/logical.js';
import { PROPERTIES } from '../property/table.js';
import { quirkyText } from './quirks.js';
import { readCss } from '../syntax/read.js';
import type { Declaration, Place } from './declared.js';
import { SHORTHANDS } from '../shorthand/index.js';
import { isValidValue } from './validity.js';
import { MATHS } from '../values/calc.js';
import { CSS_WIDE } from './wide.js';

export { CSS_WIDE } from './wide.js';

const SUBSTITUTION = /(^|[^-\w])(var|env)\(/i;

/** True when the value can only be known once custom properties are put in. */
export const needsSubstitution = (text: string): boolean => SUBSTITUTION.test(text);

const parsed = new Map<string, Value | null>();
const MAX_KEPT = 50_000;

const SIMPLE_LIST = /^[\w#.%+-]+(?: [\w#.%+-]+)*$/;
const SIMPLE = /^(?:([+-]?(?:\d+(?:\.\d+)?|\.\d+)(?:e[+-]?\d+)?)(%|[a-z]+)?|#([0-9a-f]+)|(-?[a-z_][\w-]*))$/i;

function simpleNode(text: string): CssNode | undefined {
  const match = SIMPLE.exec(text);
  if (!match) return undefined;
  const [, number, unit, hash, word] = match;
  if (word !== undefined) return { type: 'Identifier', name: word };
  if (hash !== undefined) return { type: 'Hash', value: hash };
  if (unit === undefined) return { type: 'Number', value: number! };
  return unit === '%' ? { type: 'Percentage', value: number! } : { type: 'Dimension', value: number!, unit };
}

const SIMPLE_FUNCTION = /^([a-z-]+)\(([\w#.%+ ,/-]*)\)$/i;
const SEPARATORS = /([,/])|\s+/;

/** `rgb(1 2 3 / 50%)`, `translate(10px, 0)`: a function of plain terms. */
function parseSimpleFunction(text: string): Value | undefined {
  const match = SIMPLE_FUNCTION.exec(text);
  // In a calculation signs stand between terms too, and an address is no list of terms.
  if (!match || MATHS.has(match[1]!.toLowerCase()) || /^(url|src)$/i.test(match[1]!)) return undefined;
  const inner = new List<CssNode>();
  for (const part of match[2]!.trim().split(SEPARATORS)) {
    if (part === undefined || part === '') continue;
    const node: CssNode | undefined =
      part === ',' || part === '/' ? { type: 'Operator', value: part } : simpleNode(part);
    if (!node) return undefined;
    inner.appendData(node);
  }
  if (inner.isEmpty) return undefined;
  const children = new List<CssNode>();
  children.appendData({ type: 'Function', name: match[1]!, children: inner });
  return { type: 'Value', children };
}

/** Most values are a few plain words, numbers and colours in a row, which need no parser. */
function parseSimple(text: string): Value | undefined {
  if (!SIMPLE_LIST.test(text)) return undefined;
  const children = new List<CssNode>();
  for (const part of text.split(' ')) {
    const node = simpleNode(part);
    if (!node) return undefined;
    children.appendData(node);
  }
  return { type: 'Value', children };
}

/** Parses value text; undefined when it is not CSS at all. Trees are shared, so they must not be changed. */
export function parseValue(text: string): Value | undefined {
  let value = parsed.get(text);
  if (value === undefined) {
    value = parseSimple(text) ?? parseSimpleFunction(text) ?? null;
    if (!value) {
      const node = readCss(text, 'value');
      value = node?.type === 'Value' ? node : null;
    }
    if (parsed.size > MAX_KEPT) parsed.clear();
    parsed.set(text, value);
  }
  return value ?? undefined;
}

export { isValidValue };

type Longhands = readonly (readonly [property: string, value: string, shorthand?: string])[];
const NONE: Longhands = [];
const spread = new Map<string, Map<string, Longhands>>();
const spreadQuirky = new Map<string, Map<string, Longhands>>();

/**
 * Spreads one declaration over longhands, in canonical names. What a browser would drop gives an empty list.
 *
 * @param quirks the sheet belongs to a page in quirks mode
 * @param into list that the longhands are added to
 */
export function expandDeclaration(
  declared: string,
  text: string,
  important: boolean,
  place: Place,
  quirks = false,
  into: Declaration[] = [],
): Declaration[] {
  const property = canonicalName(declared);
  if (property.startsWith('--')) {
    const index = into.length;
    into.push({ property, value: text.trim(), important, place, substitutes: needsSubstitution(text), index });
    return into;
  }
  const byText = quirks ? spreadQuirky : spread;
  let known = byText.get(property);
  if (!known) byText.set(property, (known = new Map()));
  let longhands = known.get(text);
  if (!longhands) {
    longhands = longhandsOf(property, quirks ? quirkyText(property, text.trim()) : text.trim());
    if (known.size > MAX_KEPT) known.clear();
    known.set(text, longhands);
  }
  for (const [name, value, shorthand] of longhands) {
    const substitutes = shorthand !== undefined || needsSubstitution(value);
    const index = into.length;
    into.push(
      shorthand === undefined
        ? { property: name, value, important, place, substitutes, index }
        : { property: name, value, important, place, substitutes, index, shorthand },
    );
  }
  return into;
}

/** Whether a browser takes a value for a longhand; a shorthand, and what nobody knows, is none. */
export const isLonghandValue = (property: string, value: string): boolean =>
  PROPERTIES.has(property) && !SHORTHANDS.has(property) && longhandsOf(property, value).length === 1;

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

type Expanded = Readonly<Record<string, string>>;
const expanded = new Map<string, Map<string, Expanded | null>>();

/** The longhands of a shorthand's value without var(); undefined when it is invalid. */
export function expandShorthand(name: string, text: string): Expanded | undefined {
  let known = expanded.get(name);
  if (!known) expanded.set(name, (known = new Map()));
  let longhands = known.get(text);
  if (longhands === undefined) {
    longhands = expandAfresh(name, text) ?? null;
    if (known.size > MAX_KEPT) known.clear();
    known.set(text, longhands);
  }
  return longhands ?? undefined;
}

function expandAfresh(name: string, text: string): Expanded | undefined {
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
