import * as cssTree from 'css-tree';
import { parse as parseUnbounded, tokenize, tokenTypes, type CssNode, type ParseOptions } from 'css-tree';

import { CLOSES, OPENS } from './brackets.js';
import { longFilterSpans } from './filter-lists.js';
import { longChainSpans } from './var-chains.js';

/** The parser's list of tokens, which its types leave out. */
interface TokenList {
  offsetAndType: Uint32Array | null;
  balance: Uint32Array | null;
  setSource(source?: string, tokenize?: unknown): void;
}

/** A text whose tokens are looked at on their way to the parser. */
let watched: string | undefined;

/** Tokens of a list that is kept from one text to the next; the whole of it is gone through for every text. */
const MAX_KEPT_TOKENS = 16 * 1024;

/**
 * Version 3.2.1 keeps its list of tokens from one text to the next, and reads one entry behind the end of a text. What an
 * earlier text has left there can make it go round in a circle for ever, so the list is emptied first.
 */
function withCleanList(): void {
  const list = (cssTree as unknown as { TokenStream: { prototype: TokenList } }).TokenStream.prototype;
  const { setSource } = list;
  list.setSource = function (this: TokenList, source = '', ...rest) {
    if ((this.offsetAndType?.length ?? 0) > MAX_KEPT_TOKENS) this.offsetAndType = this.balance = null;
    this.offsetAndType?.fill(0, 0, String(source).length + 2);
    if (source !== watched) return setSource.call(this, source, ...rest);
    const scan = new NestingScan(source);
    setSource.call(this, source, (text: string, take: (type: number, start: number, end: number) => void) =>
      tokenize(text, (type, start, end) => {
        scan.take(type, start, end);
        take(type, start, end);
      }),
    );
    if (scan.end().length) throw new TooDeepError();
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
export function tooDeepSpans(css: string): readonly Span[] {
  const spans = tooDeepBrackets(css);
  const more = longLists(css).filter(([start]) => !spans.some(([from, to]) => start >= from && start < to));
  return more.length ? [...spans, ...more].sort(([a], [b]) => a - b) : spans;
}

type Span = readonly [start: number, end: number];

/** Finds what nests too deep, token by token. */
class NestingScan {
  readonly spans: [number, number][] = [];
  private readonly open: Opened[] = [];
  private mixes = 0;
  /** Commas since the last block or declaration ended. */
  private commas = 0;
  /** What is being left out: from where, and how many brackets were open before it. */
  private out: { start: number; depth: number } | undefined;

  constructor(private readonly css: string) {}

  readonly take = (type: number, start: number, end: number): void => {
    const { open } = this;
    if (OPENS.has(type)) {
      const isMix = type === tokenTypes.Function && this.css.slice(start, end).toLowerCase() === MIX;
      const isBlock = type === tokenTypes.LeftCurlyBracket;
      const selectors = (open.at(-1)?.selectors ?? 1) * (isBlock ? this.commas + 1 : 1);
      open.push({ start, isBlock, isMix, selectors });
      if (isBlock) this.commas = 0;
      if (isMix) this.mixes++;
      const isMany = isBlock && open.length >= LEAST_LISTS && selectors > MAX_LISTED;
      if (this.out || (open.length <= MAX_BRACKETS && this.mixes <= MAX_MIXES && !isMany)) return;
      const inValue = open.findLastIndex((own) => own.isBlock) + 1;
      const depth = Math.min(inValue, open.length - 1);
      this.out = { start: open[depth]!.start, depth };
    } else if (type === tokenTypes.Comma) {
      if (open.at(-1)?.isBlock !== false) this.commas++;
    } else if (type === tokenTypes.Semicolon) this.commas = 0;
    else if (CLOSES.has(type)) {
      if (type === tokenTypes.RightCurlyBracket) this.commas = 0;
      if (open.pop()?.isMix) this.mixes--;
      if (this.out && open.length <= this.out.depth) {
        this.spans.push([this.out.start, end]);
        this.out = undefined;
      }
    }
  };

  end(): readonly Span[] {
    if (this.out) this.spans.push([this.out.start, this.css.length]);
    this.out = undefined;
    return this.spans;
  }
}

function tooDeepBrackets(css: string): readonly Span[] {
  if (!mayNest(css)) return [];
  const scan = new NestingScan(css);
  tokenize(css, scan.take);
  return scan.end();
}

/** CSS without what nests too deep: blanks stand in its place, so that all else keeps its line and column. */
export const withinBrackets = (css: string): string => blanked(css, tooDeepSpans(css));

/** The same without lists and chains alone, which are found without taking the text into tokens. */
const withinLists = (css: string): string => blanked(css, longLists(css));

const longLists = (css: string): readonly Span[] =>
  [...longChainSpans(css), ...longFilterSpans(css)].sort(([a], [b]) => a - b);

function blanked(css: string, spans: readonly Span[]): string {
  if (!spans.length) return css;
  let out = '';
  let at = 0;
  for (const [start, end] of spans) {
    out += css.slice(at, start) + css.slice(start, end).replace(/[^\n\r\f]/g, ' ');
    at = end;
  }
  return out + css.slice(at);
}

/** Ends the reading of a text once its tokens show that it nests too deep. */
class TooDeepError extends Error {
  override readonly name = 'TooDeepError';
}

/** What was read of a text, and the text with blanks in place of what nests too deep. */
export interface ReadText {
  readonly node: CssNode;
  readonly text: string;
}

/** Reads a text; offsets of the node are into the text that is given back. */
export function readWithinBounds(css: string, options?: ParseOptions): ReadText {
  const read = (text: string): ReadText => ({ node: parseUnbounded(text, options), text });
  if (css.length <= MAX_KEPT_TOKENS) return read(withinBrackets(css));
  // A long text is looked at as it is taken into tokens, which is then done once.
  const text = withinLists(css);
  watched = text;
  try {
    return read(text);
  } catch (error) {
    if (!(error instanceof TooDeepError)) throw error;
    watched = undefined;
    return read(withinBrackets(text));
  } finally {
    watched = undefined;
  }
}

/** The parser of css-tree, on what does not nest too deep; every text of others is read through it. */
export const parse = (css: string, options?: ParseOptions): CssNode => readWithinBounds(css, options).node;
