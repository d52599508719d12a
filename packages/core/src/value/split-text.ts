/** Pieces of a text between separators that stand outside parentheses; several in a row count as one. */
export function splitOutside(text: string, isSeparator: (character: string) => boolean): string[] {
  const pieces: string[] = [];
  let depth = 0;
  let start = 0;
  for (let i = 0; i <= text.length; i++) {
    const character = text[i];
    if (character === '(') depth++;
    else if (character === ')') depth = Math.max(0, depth - 1);
    if (character !== undefined && (depth > 0 || !isSeparator(character))) continue;
    if (i > start) pieces.push(text.slice(start, i));
    start = i + 1;
  }
  return pieces;
}

const isSpace = (character: string) => /\s/.test(character);

/** Terms between white space that stands outside parentheses. */
export const spacedTerms = (text: string): string[] => splitOutside(text, isSpace);

/** A function of a list of them, as it is written. */
export interface WrittenFunction {
  readonly name: string;
  readonly argument: string;
}

/** `blur(2px) opacity(50%)`: functions one after the other; what stands between them is left out. */
export const writtenFunctions = (text: string): WrittenFunction[] =>
  spacedTerms(text).flatMap((term) => {
    const open = term.indexOf('(');
    if (open <= 0 || !term.endsWith(')')) return [];
    return [{ name: term.slice(0, open), argument: term.slice(open + 1, -1) }];
  });
