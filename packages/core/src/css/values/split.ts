import type { CssNode } from 'css-tree';

export const isOperator = (node: CssNode, symbol: string): boolean =>
  node.type === 'Operator' && node.value.trim() === symbol;

const splitAt =
  (symbol: string) =>
  (nodes: readonly CssNode[]): CssNode[][] => {
    const groups: CssNode[][] = [[]];
    for (const node of nodes) {
      if (isOperator(node, symbol)) groups.push([]);
      else groups.at(-1)!.push(node);
    }
    return groups;
  };

/** Splits at top-level commas. */
export const byComma = splitAt(',');

/** Splits at a top-level slash. */
export const bySlash = splitAt('/');

export const wordOf = (node: CssNode | undefined): string | undefined =>
  node?.type === 'Identifier' ? node.name.toLowerCase() : undefined;

/** Parts between commas that stand outside parentheses and strings. */
export function splitTopLevel(text: string): string[] {
  if (!text.includes(',')) return [text];
  const parts: string[] = [];
  let depth = 0;
  let quote = '';
  let start = 0;
  for (let i = 0; i < text.length; i++) {
    const character = text[i]!;
    if (quote) {
      if (character === '\\') i++;
      else if (character === quote) quote = '';
    } else if (character === '"' || character === "'") quote = character;
    else if (character === '(') depth++;
    else if (character === ')') depth--;
    else if (character === ',' && depth === 0) {
      parts.push(text.slice(start, i).trim());
      start = i + 1;
    }
  }
  parts.push(text.slice(start).trim());
  return parts;
}
