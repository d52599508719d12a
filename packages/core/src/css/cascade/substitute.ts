import { tokenize, tokenTypes } from 'css-tree';
import { CLOSES, OPENS } from '../syntax/brackets.js';

/** Longer results are treated as invalid, so that references that double each other stay harmless. */
export const MAX_SUBSTITUTED_LENGTH = 100_000;

interface Token {
  type: number;
  start: number;
  end: number;
}

const tokensOf = (text: string): Token[] => {
  const tokens: Token[] = [];
  tokenize(text, (type, start, end) => tokens.push({ type, start, end }));
  return tokens;
};

/** Where the values of references come from; undefined for what is not set or invalid. */
export interface References {
  readonly property: (name: string) => string | undefined;
  readonly environment: (name: string) => string | undefined;
}

/**
 * Replaces var() and env() by what they refer to (CSS Custom Properties 1, section 3).
 *
 * @returns undefined when the value becomes invalid at computed-value time
 */
export function substitute(text: string, references: References): string | undefined {
  if (!/(^|[^-\w])(var|env)\(/i.test(text)) return text;
  // Most references are the whole value.
  const whole = /^var\(\s*(--[\w-]+)\s*\)$/.exec(text);
  if (whole) return references.property(whole[1]!);
  const tokens = tokensOf(text);
  let out = '';
  for (let i = 0; i < tokens.length; i++) {
    const token = tokens[i]!;
    const source = text.slice(token.start, token.end);
    const name = token.type === tokenTypes.Function ? source.toLowerCase() : '';
    if (name !== 'var(' && name !== 'env(') {
      out += source;
      continue;
    }
    let depth = 1;
    let comma = -1;
    let end = i + 1;
    for (; end < tokens.length; end++) {
      const { type } = tokens[end]!;
      if (OPENS.has(type)) depth++;
      else if (CLOSES.has(type) && --depth === 0) break;
      else if (depth === 1 && comma < 0 && type === tokenTypes.Comma) comma = end;
    }
    const close = end < tokens.length ? tokens[end]!.start : text.length;
    const reference = text.slice(token.end, comma < 0 ? close : tokens[comma]!.start).trim();
    const fallback = comma < 0 ? undefined : text.slice(tokens[comma]!.end, close);
    let value = name === 'var(' ? references.property(reference) : references.environment(reference);
    if (value === undefined && fallback !== undefined) value = substitute(fallback, references)?.trim();
    if (value === undefined) return undefined;
    // A comment keeps two tokens from running into one, as browsers do.
    out += out && /[\w-]$/.test(out) && /^[\w-]/.test(value) ? `/**/${value}` : value;
    if (out.length > MAX_SUBSTITUTED_LENGTH) return undefined;
    i = end;
  }
  return out;
}
