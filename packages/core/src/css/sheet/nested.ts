import { tokenize, tokenTypes } from 'css-tree';

/** A declaration or a nested rule within a block's text; offsets into that text. */
export interface BlockItem {
  readonly kind: 'declaration' | 'rule' | 'at-rule';
  readonly start: number;
  readonly end: number;
}

/**
 * Splits the contents of a block into declarations and rules, by CSS Syntax 3, section 5.5.4: what reaches a `{` before
 * its `;` is a rule, unless it is a custom property. The parser in use takes nested rules only where they begin with
 * `&`, so what it could not read is split here.
 */
export function splitBlock(text: string): BlockItem[] {
  const items: BlockItem[] = [];
  let start = -1;
  let depth = 0;
  let custom = false;
  let atRule = false;
  let opened = false;
  const finish = (end: number, kind: BlockItem['kind']) => {
    if (start >= 0 && end > start) items.push({ kind, start, end });
    start = -1;
    opened = false;
  };
  tokenize(text, (type, from, to) => {
    if (start < 0) {
      if (type === tokenTypes.WhiteSpace || type === tokenTypes.Comment || type === tokenTypes.Semicolon) return;
      start = from;
      custom = text.startsWith('--', from);
      atRule = type === tokenTypes.AtKeyword;
    }
    switch (type) {
      case tokenTypes.LeftCurlyBracket:
        if (depth === 0 && !custom) opened = true;
        depth++;
        break;
      case tokenTypes.LeftParenthesis:
      case tokenTypes.LeftSquareBracket:
      case tokenTypes.Function:
        depth++;
        break;
      case tokenTypes.RightParenthesis:
      case tokenTypes.RightSquareBracket:
        depth = Math.max(0, depth - 1);
        break;
      case tokenTypes.RightCurlyBracket:
        depth = Math.max(0, depth - 1);
        if (depth === 0 && opened) finish(to, atRule ? 'at-rule' : 'rule');
        break;
      case tokenTypes.Semicolon:
        if (depth === 0) finish(from, atRule ? 'at-rule' : 'declaration');
        break;
    }
  });
  finish(text.length, opened ? (atRule ? 'at-rule' : 'rule') : atRule ? 'at-rule' : 'declaration');
  return items;
}
