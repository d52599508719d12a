import { generate, type CssNode, type Value } from 'css-tree';
import { MATHS } from '../values/calc.js';
import { isColourNode } from '../values/colour.js';
export { byComma, bySlash } from '../values/split.js';

export const nodesOf = (value: Value): CssNode[] => value.children.toArray();
export const textOfNode = (node: CssNode): string => generate(node);
export const textOfNodes = (nodes: readonly CssNode[]): string => nodes.map(textOfNode).join(' ');

export const isColour = isColourNode;

export const isImage = (node: CssNode): boolean =>
  node.type === 'Url' ||
  (node.type === 'Function' && /(gradient|image|image-set|cross-fade|element|paint)$/i.test(node.name));

export const isLengthLike = (node: CssNode): boolean =>
  node.type === 'Dimension' ||
  node.type === 'Percentage' ||
  node.type === 'Number' ||
  (node.type === 'Function' && MATHS.has(node.name.toLowerCase()));

const TIME = /^m?s$/i;
export const isTime = (node: CssNode): boolean =>
  (node.type === 'Dimension' && TIME.test(node.unit)) ||
  (node.type === 'Function' && MATHS.has(node.name.toLowerCase()) && /[\d.]m?s\b/i.test(generate(node)));

export const isWord = (node: CssNode, ...words: readonly string[]): boolean =>
  node.type === 'Identifier' && words.includes(node.name.toLowerCase());
