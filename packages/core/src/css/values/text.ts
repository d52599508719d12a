import { string as cssString, type CssNode } from 'css-tree';
import type { Computer } from './computer.js';
import { LENGTH, POSITIVE_LENGTH } from './length.js';
import { single, evaluate } from './calc.js';
import { printNumber } from '../../base/number.js';
import { wordOf } from './split.js';
import { computeTerm, computeTerms } from './terms.js';
import { lookup } from '../../base/lookup.js';

const LINES = ['none', 'underline', 'overline', 'line-through', 'blink', 'spelling-error', 'grammar-error'];

/** Lines in the order in which CSSOM prints them. */
export const DECORATION_LINE: Computer = (nodes) =>
  nodes
    .map((node) => wordOf(node) ?? '')
    .sort((a, b) => LINES.indexOf(a) - LINES.indexOf(b))
    .join(' ');

/** Spacing of nothing is `normal` (CSS Text 4, section 8.2). */
export const LETTER_SPACING: Computer = (nodes, context) => {
  const text = LENGTH(nodes, context);
  return text === '0px' ? 'normal' : text;
};

export const WORD_SPACING: Computer = (nodes, context) =>
  wordOf(nodes[0]) === 'normal' ? '0px' : LENGTH(nodes, context);

/** A count of spaces, or a length. */
export const TAB_SIZE: Computer = (nodes, context) => {
  const amount = nodes[0] && evaluate(nodes[0], context);
  const one = amount && single(amount);
  return one?.unit === '' ? printNumber(one.value) : POSITIVE_LENGTH(nodes, context);
};

const ALIGNMENTS: Readonly<Record<string, string>> = lookup({ '-webkit-auto': 'start' });
export const TEXT_ALIGN: Computer = (nodes) => {
  const word = wordOf(nodes[0]);
  return word === undefined ? undefined : (ALIGNMENTS[word] ?? word);
};

/** Generated content: strings, counters, pictures; attr() gives the element's own attribute. */
export const CONTENT: Computer = (nodes, context) => {
  const parts: string[] = [];
  let words: string[] = [];
  // Strings in a row are one text.
  const flush = () => {
    if (words.length) parts.push(cssString.encode(words.join('')));
    words = [];
  };
  const read = (node: CssNode) => {
    if (node.type === 'String') {
      words.push(node.value);
      return;
    }
    if (node.type === 'Function' && node.name.toLowerCase() === 'attr') {
      const [name] = node.children.toArray();
      words.push((name?.type === 'Identifier' ? context.of.attribute(name.name) : undefined) ?? '');
      return;
    }
    flush();
    if (node.type === 'Operator') parts.push(node.value.trim());
    else if (node.type === 'Function' && /^counters?$/i.test(node.name)) {
      parts.push(
        `${node.name.toLowerCase()}(${computeTerms(node.children.toArray(), context, { keepCase: true }).replace(/, decimal$/, '')})`,
      );
    } else parts.push(computeTerm(node, context));
  };
  nodes.forEach(read);
  flush();
  return parts.join(' ') || '""';
};

/** Counters with their values said; 0 for a reset, 1 for an increment. */
export const counters =
  (missing: number): Computer =>
  (nodes, context) => {
    if (wordOf(nodes[0]) === 'none' && nodes.length === 1) return 'none';
    const parts: string[] = [];
    nodes.forEach((node, i) => {
      if (node.type === 'Identifier') {
        parts.push(node.name);
        const next = nodes[i + 1];
        if (!next || next.type === 'Identifier') parts.push(String(missing));
      } else parts.push(computeTerm(node, context));
    });
    return parts.join(' ');
  };
