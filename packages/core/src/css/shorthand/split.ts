import { generate, lexer, type CssNode, type Value } from 'css-tree';

export const nodesOf = (value: Value): CssNode[] => value.children.toArray();

/** Splits at top-level commas. */
export function byComma(nodes: readonly CssNode[]): CssNode[][] {
  const groups: CssNode[][] = [[]];
  for (const node of nodes) {
    if (node.type === 'Operator' && node.value === ',') groups.push([]);
    else groups.at(-1)!.push(node);
  }
  return groups;
}

export const textOfNode = (node: CssNode): string => generate(node);
export const textOfNodes = (nodes: readonly CssNode[]): string => nodes.map(textOfNode).join(' ');

const SYSTEM =
  /^(accentcolor|accentcolortext|activetext|buttonborder|buttonface|buttontext|canvas|canvastext|field|fieldtext|graytext|highlight|highlighttext|linktext|mark|marktext|selecteditem|selecteditemtext|visitedtext|currentcolor|transparent|-webkit-focus-ring-color)$/i;

export function isColour(node: CssNode): boolean {
  if (node.type === 'Hash') return true;
  if (node.type === 'Identifier') return SYSTEM.test(node.name) || !lexer.match('<color>', node).error;
  return (
    node.type === 'Function' &&
    /^(rgba?|hsla?|hwb|lab|lch|oklab|oklch|color|color-mix|light-dark|device-cmyk|contrast-color)$/i.test(node.name)
  );
}

export const isImage = (node: CssNode): boolean =>
  node.type === 'Url' ||
  (node.type === 'Function' && /(gradient|image|image-set|cross-fade|element|paint)$/i.test(node.name));

const MATHS = /^(calc|min|max|clamp|round|mod|rem|abs|sign|env|hypot|sqrt|pow)$/i;

export const isLengthLike = (node: CssNode): boolean =>
  node.type === 'Dimension' ||
  node.type === 'Percentage' ||
  node.type === 'Number' ||
  (node.type === 'Function' && MATHS.test(node.name));

export const isWord = (node: CssNode, ...words: readonly string[]): boolean =>
  node.type === 'Identifier' && words.includes(node.name.toLowerCase());
