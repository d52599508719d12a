import { RE2JS } from 're2js';

/** A value so short is matched quickly whatever the pattern: each character at most doubles the ways to try. */
const SHORT = 16;

/**
 * Whether a pattern is matched in few steps by any engine: nothing in it repeats without end more than once, and nothing
 * that repeats holds something that does.
 */
function isPlain(pattern: string): boolean {
  // Within a class, and after a backslash, signs stand for themselves.
  const signs = pattern
    .replace(/\\[^]/g, 'x')
    .split(']')
    .map((piece) => piece.split('[', 1)[0]!)
    .join('x');
  const endless = signs.match(/[*+]|\{\d*,\}/g)?.length ?? 0;
  const repeatsGroup = /\)(?:[*+]|\{)/.test(signs);
  return !/\\[1-9k]/.test(pattern) && (repeatsGroup ? endless === 0 && !/\)\{/.test(signs) : endless <= 1);
}

/** Whether browsers may take very long over a pattern and a value. */
export const isCostlyPattern = (pattern: string, value: string): boolean => value.length > SHORT && !isPlain(pattern);

const asWhole = (pattern: string) => `^(?:${pattern})$`;

/**
 * Whether a value matches an owner's pattern (HTML, section 4.10.5.3.6), in time that grows with the length of the value
 * alone.
 *
 * @returns undefined for a pattern that is no regular expression, which browsers ignore; true too where it can only be
 *   told by trying out ever more ways, with references back or looking ahead
 */
export function matchesPattern(pattern: string, value: string): boolean | undefined {
  let expression: RegExp;
  try {
    expression = new RegExp(asWhole(pattern), 'v');
  } catch {
    return undefined;
  }
  if (!isCostlyPattern(pattern, value)) return expression.test(value);
  try {
    return RE2JS.compile(asWhole(pattern)).matches(value);
  } catch {
    return true;
  }
}
