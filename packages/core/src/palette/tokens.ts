import { lookup } from '../base/lookup.js';
import { parseColour } from '../colour/parse.js';
import { toHex } from '../colour/print.js';
import type { NewSwatch, Swatch } from './swatch.js';

// Design Tokens Format Module of the W3C's Design Tokens Community Group, 2025.10: groups, `$type` and `$value`, aliases
// in braces and `$ref`; values of colours by its Color Module. Older drafts wrote colours as hex text, which is read too.

/** Why a token was left out. */
export type TokenProblem =
  | { readonly code: 'circle' | 'missing' | 'value'; readonly token: string }
  /** Tokens of other types, which are no fault. */
  | { readonly code: 'others'; readonly count: number };

export interface ReadTokens {
  readonly swatches: readonly NewSwatch[];
  readonly problems: readonly TokenProblem[];
}

/** A file that is no tokens at all. */
export class TokensError extends Error {
  override readonly name = 'TokensError';
}

type Json = Readonly<Record<string, unknown>>;

interface Token {
  readonly value: unknown;
  /** Of the token, or of the nearest group around it. */
  readonly type: string | undefined;
}

const MAX_DEPTH = 40;
const MAX_TOKENS = 20_000;

const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The tokens of a file by their paths, groups joined by dots. */
function tokensIn(root: Json): Map<string, Token> {
  const found = new Map<string, Token>();
  const visit = (node: Json, path: readonly string[], outer: string | undefined) => {
    if (path.length > MAX_DEPTH || found.size > MAX_TOKENS) throw new TokensError('too large');
    const type = typeof node.$type === 'string' ? node.$type : outer;
    if ('$value' in node || '$ref' in node) {
      found.set(path.join('.'), { value: '$value' in node ? node.$value : { $ref: node.$ref }, type });
      return;
    }
    for (const [name, child] of Object.entries(node)) {
      const isOwn = name === '$root' || !name.startsWith('$');
      if (isOwn && isObject(child)) visit(child, [...path, name], type);
    }
  };
  visit(root, [], undefined);
  return found;
}

/** The path that an alias names: `{group.token}`, or a JSON pointer to a token or to its value. */
function aliasOf(value: unknown): string | undefined {
  if (typeof value === 'string') return /^\{([^{}]+)\}$/.exec(value.trim())?.[1];
  if (!isObject(value) || typeof value.$ref !== 'string' || !value.$ref.startsWith('#/')) return undefined;
  return value.$ref
    .slice(2)
    .replace(/\/\$value$/, '')
    .split('/')
    .map((step) => decodeURIComponent(step).replaceAll('~1', '/').replaceAll('~0', '~'))
    .join('.');
}

type Resolved = { readonly token: Token } | { readonly problem: 'circle' | 'missing' };

/** A token with its aliases followed to their end; a type of its own stands over that of what it names. */
function resolve(tokens: ReadonlyMap<string, Token>, path: string): Resolved {
  const seen = new Set<string>();
  let [at, type] = [path, undefined as string | undefined];
  for (;;) {
    if (seen.has(at)) return { problem: 'circle' };
    seen.add(at);
    const token = tokens.get(at);
    if (!token) return { problem: 'missing' };
    type ??= token.type;
    const next = aliasOf(token.value);
    if (next === undefined) return { token: { value: token.value, type } };
    at = next;
  }
}

const percent = (value: number): string => `${Math.round(value * 1e4) / 1e4}%`;
const component = (value: unknown, print: (value: number) => string = String): string | undefined =>
  value === 'none' ? 'none' : typeof value === 'number' && Number.isFinite(value) ? print(value) : undefined;

const FUNCTIONS: Readonly<Record<string, readonly ((value: number) => string)[]>> = lookup({
  hsl: [String, percent, percent],
  hwb: [String, percent, percent],
  lab: [String, String, String],
  lch: [String, String, String],
  oklab: [String, String, String],
  oklch: [String, String, String],
});
const PREDEFINED = ['srgb', 'srgb-linear', 'display-p3', 'a98-rgb', 'prophoto-rgb', 'rec2020', 'xyz-d65', 'xyz-d50'];

/** A value of a colour token as CSS; undefined where it is none. */
function cssOf(value: unknown): string | undefined {
  if (typeof value === 'string') return parseColour(value) ? value.trim().toLowerCase() : undefined;
  if (!isObject(value) || typeof value.colorSpace !== 'string' || !Array.isArray(value.components)) return undefined;
  const { colorSpace: space, components, alpha = 1 } = value;
  if (components.length !== 3 || typeof alpha !== 'number') return undefined;
  const printers = FUNCTIONS[space];
  const parts = components.map((one, i) => component(one, printers?.[i]));
  if (parts.some((part) => part === undefined)) return undefined;
  const list = parts.join(' ') + (alpha < 1 ? ` / ${percent(alpha * 100)}` : '');
  const css = printers ? `${space}(${list})` : PREDEFINED.includes(space) ? `color(${space} ${list})` : '';
  const colour = parseColour(css);
  if (!colour) return undefined;
  // Screens show eight bits of an sRGB colour.
  return space === 'srgb' ? toHex(colour) : css;
}

/** A token's name as an owner reads it: the groups from the outside inwards. */
const nameOf = (path: string): string => path.replace(/\.\$root$/, '').replaceAll('.', ' / ');

/**
 * Reads the colours of a file of design tokens.
 *
 * @throws TokensError where the text is no JSON, holds no tokens, or too many
 */
export function readTokens(text: string): ReadTokens {
  let root: unknown;
  try {
    root = JSON.parse(text);
  } catch {
    throw new TokensError('no JSON');
  }
  if (!isObject(root)) throw new TokensError('no tokens');
  const tokens = tokensIn(root);
  if (!tokens.size) throw new TokensError('no tokens');
  const swatches: NewSwatch[] = [];
  const problems: TokenProblem[] = [];
  let others = 0;
  for (const path of tokens.keys()) {
    const resolved = resolve(tokens, path);
    if ('problem' in resolved) {
      problems.push({ code: resolved.problem, token: path });
      continue;
    }
    const { value, type } = resolved.token;
    if (type !== undefined && type !== 'color') {
      others++;
      continue;
    }
    const css = cssOf(value);
    if (css !== undefined) swatches.push({ name: nameOf(path), css });
    else if (type === 'color') problems.push({ code: 'value', token: path });
    else others++;
  }
  if (others) problems.push({ code: 'others', count: others });
  return { swatches, problems };
}

/** Six decimals say more than eight bits have. */
const written = (channel: number): number => Math.round(channel * 1e6) / 1e6;

/** A palette as a file of design tokens in sRGB, groups made of names with slashes; names that the format refuses are mended. */
export function writeTokens(palette: readonly Swatch[]): string {
  const root: Record<string, unknown> = {};
  for (const { name, css } of palette) {
    const path = name.split(' / ').map(
      (step) =>
        step
          .replace(/[{}.]/g, '-')
          .replace(/^[\s$]+/, '')
          .trim() || 'colour',
    );
    let group = root;
    for (const step of path.slice(0, -1)) {
      const inner = Object.hasOwn(group, step) ? (group[step] as Record<string, unknown>) : undefined;
      // A token cannot be a group as well: it becomes the root of one.
      const next: Record<string, unknown> = inner && '$value' in inner ? { $root: inner } : (inner ?? {});
      put(group, step, next);
      group = next;
    }
    const last = path.at(-1)!;
    const { r, g, b, alpha } = parseColour(css)!;
    const token = {
      $type: 'color',
      $value: {
        colorSpace: 'srgb',
        components: [r, g, b].map(written),
        alpha: written(alpha),
        hex: toHex({ r, g, b, alpha: 1 }),
      },
    };
    const known = Object.hasOwn(group, last) ? (group[last] as Record<string, unknown>) : undefined;
    if (known && !('$value' in known) && !('$root' in known)) put(known, '$root', token);
    else put(group, known ? freeName(group, last) : last, token);
  }
  return `${JSON.stringify(root, null, 2)}\n`;
}

/** `__proto__` is a name like any other. */
const put = (object: object, name: string, value: unknown): void =>
  void Object.defineProperty(object, name, { value, enumerable: true, configurable: true, writable: true });

function freeName(group: object, name: string): string {
  let n = 2;
  while (Object.hasOwn(group, `${name} ${n}`)) n++;
  return `${name} ${n}`;
}
