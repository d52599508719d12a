import * as cssTree from 'css-tree';
import { parse as parseUnbounded, tokenize, tokenTypes, type CssNode, type ParseOptions } from 'css-tree';

/** The parser's list of tokens, which its types leave out. */
interface TokenList {
  offsetAndType: Uint32Array | null;
  setSource(source?: string, tokenize?: unknown): void;
}

/**
 * Version 3.2.1 keeps its list of tokens from one text to the next, and reads one entry behind the end of a text. What an
 * earlier text has left there can make it go round in a circle for ever, so the list is emptied first.
 */
function withCleanList(): void {
  const list = (cssTree as unknown as { TokenStream: { prototype: TokenList } }).TokenStream.prototype;
  const { setSource } = list;
  list.setSource = function (this: TokenList, source = '', ...rest) {
    this.offsetAndType?.fill(0, 0, String(source).length + 2);
    setSource.call(this, source, ...rest);
  };
}
withCleanList();

/**
 * Brackets that open within one another. Real sheets stay far below; the parser and all that walks its trees are
 * recursive, and a nested rule is matched with all the rules around it. Chromium ends calculations at 100 levels
 * (css_math_expression_node.h, kMaxExpressionDepth; from memory).
 */
export const MAX_BRACKETS = 64;

const OPENS = new Set<number>([
  tokenTypes.Function,
  tokenTypes.LeftParenthesis,
  tokenTypes.LeftSquareBracket,
  tokenTypes.LeftCurlyBracket,
]);
const CLOSES = new Set<number>([
  tokenTypes.RightParenthesis,
  tokenTypes.RightSquareBracket,
  tokenTypes.RightCurlyBracket,
]);

/** Whether there are enough opening brackets for a text to nest too deep at all; most values have none. */
function mayNest(css: string): boolean {
  let opened = 0;
  for (let i = 0; i < css.length; i++) {
    const code = css.charCodeAt(i);
    if ((code === 0x28 || code === 0x5b || code === 0x7b) && ++opened > MAX_BRACKETS) return true;
  }
  return false;
}

/** Where brackets nest too deep, from the opening one to the closing one; offsets into the text. */
export function tooDeepSpans(css: string): readonly (readonly [start: number, end: number])[] {
  if (!mayNest(css)) return [];
  const spans: [number, number][] = [];
  let depth = 0;
  let from = -1;
  tokenize(css, (type, start, end) => {
    if (OPENS.has(type)) {
      if (++depth === MAX_BRACKETS + 1) from = start;
    } else if (CLOSES.has(type) && depth > 0 && --depth === MAX_BRACKETS && from >= 0) {
      spans.push([from, end]);
      from = -1;
    }
  });
  if (from >= 0) spans.push([from, css.length]);
  return spans;
}

/** CSS without what nests too deep: blanks stand in its place, so that all else keeps its line and column. */
export function withinBrackets(css: string): string {
  const spans = tooDeepSpans(css);
  if (!spans.length) return css;
  let out = '';
  let at = 0;
  for (const [start, end] of spans) {
    out += css.slice(at, start) + css.slice(start, end).replace(/[^\n\r\f]/g, ' ');
    at = end;
  }
  return out + css.slice(at);
}

/** The parser of css-tree, on what does not nest too deep; every text of others is read through it. */
export const parse = (css: string, options?: ParseOptions): CssNode => parseUnbounded(withinBrackets(css), options);
