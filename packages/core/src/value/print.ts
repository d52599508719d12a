import { generate, List, type CssNode } from 'css-tree';

/** Strings and addresses, in which nothing may be changed; or what wants room around it, which the generator leaves out. */
const ROOM = /("(?:\\.|[^"\\])*"|'(?:\\.|[^'\\])*'|url\([^)]*\))| ?([,/]) ?|([%)])(?=[\w#.-])/gi;

/** Text of parsed terms as people write it: a space behind commas, and around the slash before an alpha. */
export function printTerms(nodes: readonly CssNode[]): string {
  const text = generate({ type: 'Value', children: new List<CssNode>().fromArray([...nodes]) });
  return text.replace(ROOM, (_all, kept: string | undefined, sign: string | undefined, end: string | undefined) => {
    if (kept !== undefined) return kept;
    if (end !== undefined) return `${end} `;
    return sign === ',' ? ', ' : ' / ';
  });
}
