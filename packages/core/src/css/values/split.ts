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
