import type { CssNode, ParseOptions } from 'css-tree';
import { parse } from './parser.js';

/**
 * Parses a piece of CSS that must be right as a whole: a selector, a query, a value.
 *
 * @returns undefined when any of it cannot be read; the parser throws for some contexts and reports for others
 */
export function readCss(
  text: string,
  context: NonNullable<ParseOptions['context']>,
  options: ParseOptions = {},
): CssNode | undefined {
  let failed = false;
  try {
    const node = parse(text, { ...options, context, onParseError: () => (failed = true) });
    return failed ? undefined : node;
  } catch (error) {
    if (error instanceof SyntaxError) return undefined;
    throw error;
  }
}
