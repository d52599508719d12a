import { generate, type CssNode, type List } from 'css-tree';
import { onceForText } from '../../memo/once.js';
import { readCss } from '../syntax/read.js';

const INTERACTION = new Set(['hover', 'active', 'focus', 'focus-visible', 'focus-within', 'visited', 'link', 'target']);

const mentionsState = (node: CssNode): boolean =>
  node.type === 'PseudoClassSelector' && INTERACTION.has(node.name.toLowerCase())
    ? true
    : 'children' in node && node.children
      ? (node.children as List<CssNode>).some(mentionsState)
      : false;

/**
 * A selector without interaction states and pseudo-elements: what it reaches at rest.
 * `.a:hover > b:focus` becomes `.a > b`; undefined when the text is not one selector.
 */
export const stripStates = onceForText((text: string): string | undefined => {
  const ast = readCss(text, 'selector');
  if (ast?.type !== 'Selector') return undefined;
  const kept: CssNode[] = [];
  for (const node of ast.children.toArray() as CssNode[]) {
    const drop = node.type === 'PseudoElementSelector' || (node.type === 'PseudoClassSelector' && mentionsState(node));
    if (!drop) kept.push(node);
  }
  // A compound that was nothing but a state stands for any element.
  const out = kept.map((node, i) => {
    const starts = i === 0 || kept[i - 1]!.type === 'Combinator';
    return starts && node.type === 'Combinator' ? `*${generate(node)}` : generate(node);
  });
  if (!kept.length || kept.at(-1)!.type === 'Combinator') out.push('*');
  return out
    .join('')
    .replace(/([>+~])/g, ' $1 ')
    .replace(/\s+/g, ' ')
    .trim();
});
