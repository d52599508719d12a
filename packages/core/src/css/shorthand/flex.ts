import { isLengthLike, isWord, nodesOf, textOfNode } from './split.js';
import type { Shorthand } from './shorthand.js';

const flex = (grow: string, shrink: string, basis: string) => ({
  'flex-grow': grow,
  'flex-shrink': shrink,
  'flex-basis': basis,
});

/** CSS Flexbox 1, section 7.1: a missing basis is zero, missing factors are one. */
export const FLEX: Shorthand = {
  name: 'flex',
  longhands: ['flex-grow', 'flex-shrink', 'flex-basis'],
  expand: (value) => {
    const nodes = nodesOf(value);
    if (nodes.length === 1 && isWord(nodes[0]!, 'none')) return flex('0', '0', 'auto');
    const factors: string[] = [];
    let basis: string | undefined;
    nodes.forEach((node, i) => {
      const text = textOfNode(node);
      const isFactor =
        node.type === 'Number' || (node.type === 'Function' && !/[a-z%]/i.test(text.replace(/^\w+\(/, '')));
      // A zero after both factors is the basis.
      if (isFactor && !(factors.length === 2 && i === 2)) factors.push(text);
      else if (isLengthLike(node)) basis = node.type === 'Number' ? `${text}px` : text;
      else basis = text;
    });
    if (nodes.length > 3 || factors.length > 2) return undefined;
    if (!factors.length) return basis === undefined ? undefined : flex('1', '1', basis);
    return flex(factors[0]!, factors[1] ?? '1', basis ?? '0%');
  },
};

const DIRECTIONS = ['row', 'row-reverse', 'column', 'column-reverse'];

/** CSS Flexbox 1, section 5.3. */
export const FLEX_FLOW: Shorthand = {
  name: 'flex-flow',
  longhands: ['flex-direction', 'flex-wrap'],
  expand: (value) => {
    const found = { 'flex-direction': 'row', 'flex-wrap': 'nowrap' };
    for (const node of nodesOf(value)) {
      found[isWord(node, ...DIRECTIONS) ? 'flex-direction' : 'flex-wrap'] = textOfNode(node);
    }
    return found;
  },
};

const OVERFLOW = ['safe', 'unsafe', 'first', 'last', 'legacy'];

/** One value for both axes, or one for each; words such as `safe` belong to the one after them (CSS Align 3). */
function place(name: string, longhands: readonly [string, string]): Shorthand {
  return {
    name,
    longhands,
    expand: (value) => {
      const groups: string[] = [];
      let open = '';
      for (const node of nodesOf(value)) {
        const text = textOfNode(node);
        if (isWord(node, ...OVERFLOW)) open += `${text} `;
        else {
          groups.push(open + text);
          open = '';
        }
      }
      if (groups.length < 1 || groups.length > 2 || open) return undefined;
      return { [longhands[0]]: groups[0]!, [longhands[1]]: groups[1] ?? groups[0]! };
    },
  };
}

export const PLACE: readonly Shorthand[] = [
  place('place-content', ['align-content', 'justify-content']),
  place('place-items', ['align-items', 'justify-items']),
  place('place-self', ['align-self', 'justify-self']),
];

/** `width || count` (CSS Multi-column 1, section 3.4). */
export const COLUMNS: Shorthand = {
  name: 'columns',
  longhands: ['column-width', 'column-count'],
  expand: (value) => {
    const found = { 'column-width': 'auto', 'column-count': 'auto' };
    for (const node of nodesOf(value)) {
      if (isWord(node, 'auto')) continue;
      found[node.type === 'Number' ? 'column-count' : 'column-width'] = textOfNode(node);
    }
    return found;
  },
};

/** `name [/ type]` (CSS Conditional 5, section 5.4). */
export const CONTAINER: Shorthand = {
  name: 'container',
  longhands: ['container-name', 'container-type'],
  expand: (value) => {
    const groups: string[][] = [[]];
    for (const node of nodesOf(value)) {
      if (node.type === 'Operator') groups.push([]);
      else groups.at(-1)!.push(textOfNode(node));
    }
    return { 'container-name': groups[0]!.join(' ') || 'none', 'container-type': groups[1]?.join(' ') ?? 'normal' };
  },
};
