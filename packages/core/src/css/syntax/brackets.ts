import { tokenTypes } from 'css-tree';

/** Tokens that open a bracket, and those that close one (CSS Syntax 3, section 4). */
export const OPENS = new Set<number>([
  tokenTypes.Function,
  tokenTypes.LeftParenthesis,
  tokenTypes.LeftSquareBracket,
  tokenTypes.LeftCurlyBracket,
]);
export const CLOSES = new Set<number>([
  tokenTypes.RightParenthesis,
  tokenTypes.RightSquareBracket,
  tokenTypes.RightCurlyBracket,
]);
