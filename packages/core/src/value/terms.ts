import type { CssNode } from 'css-tree';
import { parseValue } from '../css/sheet/declaration.js';

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
