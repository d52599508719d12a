import { parseColour } from '../colour/parse.js';
import { isSystemColour } from '../colour/system.js';
import { toHex } from '../colour/print.js';
import { WRITTEN_COLOUR } from '../colour/written.js';
import type { NewSwatch } from './swatch.js';

const WRITTEN = new RegExp(WRITTEN_COLOUR, 'gi');
const WORD = /[a-z]+/gi;
/** What stands between a name and its colour, and around both, in lists, sheets and code. */
const AROUND = new Set(' \t:=>,;|•*·"\'`()[]{}–—-');

/** Characters that are looked at; what is longer is no list that somebody made. */
export const LONGEST_LIST = 200_000;
const LONGEST_NAME = 60;

/** The colours of a pasted text in their order, each with the words that stand by it. */
export function readColourList(text: string): NewSwatch[] {
  return text
    .slice(0, LONGEST_LIST)
    .split(/\r?\n|;(?!\s*$)/)
    .flatMap(coloursOfLine);
}

interface Found {
  readonly css: string;
  readonly from: number;
  readonly to: number;
}

function coloursOfLine(line: string): NewSwatch[] {
  const written = found(line, WRITTEN);
  // Beside a colour that is written out, `red` is a word of its name.
  const all = written.length ? written : found(line, WORD).filter(({ css }) => !isSystemColour(css.toLowerCase()));
  return all.map(({ css, from, to }, i): NewSwatch => {
    const before = line.slice(i ? all[i - 1]!.to : 0, from);
    const behind = line.slice(to, all[i + 1]?.from ?? line.length);
    // A list has its names all before the colours, or all behind them.
    const name = nameIn(before) || (i === 0 && all.length > 1 ? '' : nameIn(behind));
    return { name: name || nameOfColour(css), css };
  });
}

const found = (line: string, pattern: RegExp): Found[] =>
  [...line.matchAll(pattern)].flatMap((match) =>
    parseColour(match[0])
      ? [{ css: match[0].toLowerCase(), from: match.index, to: match.index + match[0].length }]
      : [],
  );

function nameIn(text: string): string {
  const words = text
    .replace(/\/\*|\*\/|\/\/|<!--|-->/g, ' ')
    .replace(/^\s*(?:[$@]|--)/, '')
    .replace(/\s+/g, ' ')
    .trim();
  let [from, to] = [0, words.length];
  while (from < to && AROUND.has(words[from]!)) from++;
  while (to > from && AROUND.has(words[to - 1]!)) to--;
  const name = words.slice(from, to);
  return /[\p{L}\p{N}]/u.test(name) ? name.slice(0, LONGEST_NAME).trim() : '';
}

/** What a colour is called that nobody has given a name: the text itself where it is a word, or its hex digits. */
const nameOfColour = (css: string): string => (/^[a-z]+$/.test(css) ? css : toHex(parseColour(css)!));
