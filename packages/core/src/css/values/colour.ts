import { color as readColour, SyntaxFlag, type ColorData } from '@csstools/css-color-parser';
import { parseComponentValue } from '@csstools/css-parser-algorithms';
import { tokenize } from '@csstools/css-tokenizer';
import 'culori/css';
import { converter } from 'culori/fn';
import { generate, type CssNode } from 'css-tree';
import { parseColour } from '../../colour/parse.js';
import { toCssRgb } from '../../colour/print.js';
import { isSystemColour, systemColour } from '../../colour/system.js';
import type { ValueContext } from './context.js';
import { hslToSrgb } from './hsl.js';
import { printNumber } from '../../base/number.js';
import { byComma, wordOf } from './split.js';
import { lookup } from '../../base/lookup.js';

const COLOUR_FUNCTION =
  /^(rgba?|hsla?|hwb|lab|lch|oklab|oklch|color|color-mix|light-dark|contrast-color|device-cmyk|alpha)$/i;

export const isColourFunction = (node: CssNode): boolean => node.type === 'Function' && COLOUR_FUNCTION.test(node.name);

const NAMED = new Map<string, boolean>();

/** True for `red`, `transparent`, `currentcolor`, `CanvasText` and their like. */
export function isColourWord(name: string): boolean {
  const word = name.toLowerCase();
  if (word === 'currentcolor' || isSystemColour(word)) return true;
  let known = NAMED.get(word);
  if (known === undefined) {
    known = parseColour(word) !== undefined;
    if (NAMED.size < 2000) NAMED.set(word, known);
  }
  return known;
}

export const isColourNode = (node: CssNode): boolean =>
  node.type === 'Hash' || isColourFunction(node) || (node.type === 'Identifier' && isColourWord(node.name));

/** Names under which the predefined spaces of color() are printed. */
const SPACES: Readonly<Record<string, string>> = lookup({
  srgb: 'srgb',
  'srgb-linear': 'srgb-linear',
  'display-p3': 'display-p3',
  'display-p3-linear': 'display-p3-linear',
  'a98-rgb': 'a98-rgb',
  'prophoto-rgb': 'prophoto-rgb',
  rec2020: 'rec2020',
  'xyz-d50': 'xyz-d50',
  'xyz-d65': 'xyz-d65',
});

const toRgb = converter('rgb');
const channel = (value: number | null | undefined) =>
  value === null || value === undefined || Number.isNaN(value) ? 'none' : printNumber(Math.fround(value));

function withAlpha(name: string, channels: readonly string[], alpha: number | null): string {
  const tail = alpha === null ? ' / none' : alpha < 1 ? ` / ${printNumber(Math.fround(Math.max(0, alpha)))}` : '';
  return `${name}${name.includes('(') ? ' ' : '('}${channels.join(' ')}${tail})`;
}

/** Rounded to one of 256 steps, in the single precision that decides ties in Chromium. */
const toByte = (value: number): number =>
  Math.round(Math.fround(Math.fround(Math.min(1, Math.max(0, value))) * 255)) / 255;

type Channels = readonly [number, number, number];

function srgbOf(data: ColorData, derived: boolean): Channels {
  const [a, rawB, rawC] = data.channels.map((value) => (value === null || Number.isNaN(value) ? 0 : value)) as [
    number,
    number,
    number,
  ];
  // What is written as hsl() is clamped; what comes out of a mixture is not.
  const share = (value: number) => (derived ? value : Math.min(100, Math.max(0, value)));
  const [b, c] = data.colorNotation === 'hsl' ? [share(rawB), share(rawC)] : [rawB, rawC];
  if (data.colorNotation === 'hsl') {
    return hslToSrgb(a, b / 100, c / 100);
  }
  if (data.colorNotation === 'hwb') {
    const { r, g, b: blue } = toRgb({ mode: 'hwb', h: a, w: b / 100, b: c / 100 });
    return [r, g, blue];
  }
  return [a, b, c];
}

/** CSS Color 4, section 15: legacy colours as rgb(), others in the space they were given or mixed in. */
function print(data: ColorData): string | undefined {
  const alpha = typeof data.alpha === 'number' ? (Number.isNaN(data.alpha) ? null : data.alpha) : 1;
  const { colorNotation: notation, channels } = data;
  const [a, b, c] = channels;
  switch (notation) {
    case 'hex':
    case 'rgb':
    case 'hsl':
    case 'hwb': {
      const derived = data.syntaxFlags.has(SyntaxFlag.RelativeColorSyntax) || data.syntaxFlags.has(SyntaxFlag.ColorMix);
      const rgb = srgbOf(data, derived);
      if (!derived) {
        const [r, g, blue] = rgb.map(toByte) as [number, number, number];
        return toCssRgb({ r, g, b: blue, alpha: alpha ?? 0 });
      }
      const keepsNone = notation === 'rgb' || notation === 'hex';
      return withAlpha(
        'color(srgb',
        rgb.map((value, i) => (keepsNone ? channel(channels[i]) : channel(value))),
        alpha,
      );
    }
    case 'lab':
    case 'oklab': {
      const top = notation === 'lab' ? 100 : 1;
      const light = a === null || a === undefined ? a : Math.min(top, Math.max(0, a));
      return withAlpha(notation, [channel(light), channel(b), channel(c)], alpha);
    }
    case 'lch':
    case 'oklch': {
      const top = notation === 'lch' ? 100 : 1;
      const light = a === null || a === undefined ? a : Math.min(top, Math.max(0, a));
      const chroma = b === null || b === undefined ? b : Math.max(0, b);
      const hue = c === null || c === undefined || Number.isNaN(c) ? c : ((c % 360) + 360) % 360;
      return withAlpha(notation, [channel(light), channel(chroma), channel(hue)], alpha);
    }
    default: {
      const space = SPACES[notation];
      return space && withAlpha(`color(${space}`, [channel(a), channel(b), channel(c)], alpha);
    }
  }
}

/** Text of a colour function in which words that stand for other colours are replaced by those. */
function absoluteText(node: CssNode, context: ValueContext): string | undefined {
  if (node.type === 'Identifier') {
    const word = node.name.toLowerCase();
    if (word === 'currentcolor') return context.of.currentColour;
    if (isSystemColour(word)) return systemColour(word, context.of.scheme);
    return node.name;
  }
  if (node.type !== 'Function') return generate(node);
  const name = node.name.toLowerCase();
  if (name === 'light-dark') {
    const chosen = chooseScheme(node.children.toArray(), context);
    return chosen && absoluteText(chosen, context);
  }
  if (name === 'color-mix' && !mixesTwo(node.children.toArray())) return undefined;
  const parts: string[] = [];
  for (const child of node.children.toArray()) {
    const part = absoluteText(child, context);
    if (part === undefined) return undefined;
    parts.push(child.type === 'Operator' ? `${part} ` : `${part} `);
  }
  const inner = parts.join('').trim();
  // Without a space a mixture is made in Oklab (CSS Color 5, section 3).
  return name === 'color-mix' && !/^in\s/i.test(inner) ? `color-mix(in oklab, ${inner})` : `${node.name}(${inner})`;
}

/** Chromium mixes two colours, no fewer and no more. */
function mixesTwo(nodes: readonly CssNode[]): boolean {
  const groups = byComma(nodes);
  return groups.length === (wordOf(groups[0]![0]) === 'in' ? 3 : 2);
}

function chooseScheme(nodes: readonly CssNode[], context: ValueContext): CssNode | undefined {
  const comma = nodes.findIndex((node) => node.type === 'Operator' && node.value.trim() === ',');
  const both = [nodes.slice(0, comma), nodes.slice(comma + 1)] as const;
  if (comma < 1 || both[0].length !== 1 || both[1].length !== 1) return undefined;
  return context.of.scheme === 'dark' ? both[1][0] : both[0][0];
}

/**
 * Computed value of one colour as CSSOM prints it.
 *
 * @returns `currentcolor` for the bare word, which inherits as such; undefined for what is no colour
 */
export function computeColour(node: CssNode, context: ValueContext): string | undefined {
  if (node.type === 'Identifier') {
    const word = node.name.toLowerCase();
    if (word === 'currentcolor') return word;
    if (isSystemColour(word)) return systemColour(word, context.of.scheme);
    const named = parseColour(word);
    return named && toCssRgb(named);
  }
  if (node.type === 'Hash') {
    const colour = parseColour(`#${node.value}`);
    return colour && toCssRgb(colour);
  }
  if (node.type !== 'Function' || !isColourFunction(node)) return undefined;
  if (node.name.toLowerCase() === 'light-dark') {
    const chosen = chooseScheme(node.children.toArray(), context);
    return chosen && computeColour(chosen, context);
  }
  const text = absoluteText(node, context);
  return text === undefined ? undefined : printColourText(text);
}

const printed = new Map<string, string | null>();
const MAX_PRINTED = 20_000;

/** Reads and prints a colour function without words that depend on a place. */
export function printColourText(text: string): string | undefined {
  let result = printed.get(text);
  if (result === undefined) {
    const component = parseComponentValue(tokenize({ css: text }));
    const data = component && readColour(component);
    result = (data && print(data)) || null;
    if (printed.size > MAX_PRINTED) printed.clear();
    printed.set(text, result);
  }
  return result ?? undefined;
}
