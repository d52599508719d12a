import type { CssNode } from 'css-tree';
import { parseValue } from '../css/sheet/declaration.js';
import { isColourNode } from '../css/values/colour.js';

/** The terms of a list that may be `none`, which has none; undefined for what is no value at all. */
export function readTerms(text: string): readonly CssNode[] | undefined {
  const nodes = parseValue(text.trim())
    ?.children.toArray()
    .filter(({ type }) => type !== 'WhiteSpace');
  if (!nodes?.length) return undefined;
  const [first] = nodes;
  const isNone = nodes.length === 1 && first?.type === 'Identifier' && first.name.toLowerCase() === 'none';
  return isNone ? [] : nodes;
}

/** A colour as an editor meets it: one of CSS, or the name of a swatch. */
export const isColourTerm = (node: CssNode): boolean =>
  isColourNode(node) || (node.type === 'Function' && node.name.toLowerCase() === 'swatch');
