import * as cssTree from 'css-tree';
import { parse as parseUnbounded, tokenize, tokenTypes, type CssNode, type ParseOptions } from 'css-tree';

import { CLOSES, OPENS } from './brackets.js';
import { longFilterSpans } from './filter-lists.js';
import { longChainSpans } from './var-chains.js';

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

/**
 * Mixed colours within one another. Chromium tries each level of a mixture that turns out to be none twice over, so that
 * twenty of them take it seconds and forty for ever.
 */
const MAX_MIXES = 8;
const MIX = 'color-mix(';

/** Whether there are enough opening brackets for a text to nest too deep at all; most values have none. */
function mayNest(css: string): boolean {
  let opened = 0;
  for (let i = 0; i < css.length; i++) {
    const code = css.charCodeAt(i);
    if ((code === 0x28 || code === 0x5b || code === 0x7b) && ++opened > MAX_MIXES) return true;
  }
  return false;
}

/** Rules within one another of which each has several selectors multiply; Chromium tries them all. */
const MAX_LISTED = 4096;
const LEAST_LISTS = 8;

interface Opened {
  readonly start: number;
  /** How many selectors a block's rules have altogether, with those of the rules around it. */
  readonly selectors: number;
  readonly isBlock: boolean;
  readonly isMix: boolean;
}

/**
 * Where brackets nest too deep; offsets into the text. What is in a value is marked from its outermost bracket on, so that
 * nothing is left of it that a browser would still try to read.
 */
export function tooDeepSpans(css: string): readonly (readonly [start: number, end: number])[] {
  const spans = tooDeepBrackets(css);
  const more = [...longChainSpans(css), ...longFilterSpans(css)].filter(
    ([start]) => !spans.some(([from, to]) => start >= from && start < to),
  );
  return more.length ? [...spans, ...more].sort(([a], [b]) => a - b) : spans;
}

function tooDeepBrackets(css: string): readonly (readonly [start: number, end: number])[] {
  if (!mayNest(css)) return [];
  const spans: [number, number][] = [];
  const open: Opened[] = [];
  let mixes = 0;
  /** Commas since the last block or declaration ended. */
  let commas = 0;
  /** What is being left out: from where, and how many brackets were open before it. */
  let out: { start: number; depth: number } | undefined;
  tokenize(css, (type, start, end) => {
    if (OPENS.has(type)) {
      const isMix = type === tokenTypes.Function && css.slice(start, end).toLowerCase() === MIX;
      const isBlock = type === tokenTypes.LeftCurlyBracket;
      const selectors = (open.at(-1)?.selectors ?? 1) * (isBlock ? commas + 1 : 1);
      open.push({ start, isBlock, isMix, selectors });
      if (isBlock) commas = 0;
      if (isMix) mixes++;
      const isMany = isBlock && open.length >= LEAST_LISTS && selectors > MAX_LISTED;
      if (out || (open.length <= MAX_BRACKETS && mixes <= MAX_MIXES && !isMany)) return;
      const inValue = open.findLastIndex(({ isBlock }) => isBlock) + 1;
      const depth = Math.min(inValue, open.length - 1);
      out = { start: open[depth]!.start, depth };
    } else if (type === tokenTypes.Comma) {
      if (open.at(-1)?.isBlock !== false) commas++;
    } else if (type === tokenTypes.Semicolon) commas = 0;
    else if (CLOSES.has(type)) {
      if (type === tokenTypes.RightCurlyBracket) commas = 0;
      if (open.pop()?.isMix) mixes--;
      if (out && open.length <= out.depth) {
        spans.push([out.start, end]);
        out = undefined;
      }
    }
  });
  if (out) spans.push([(out as { start: number }).start, css.length]);
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
