import { find, generate, string as cssString, type Atrule, type CssNode } from 'css-tree';
import { compileText, InvalidSelectorError } from '../selector/match.js';
import { parse } from '../syntax/parser.js';
import type { Condition, RegisteredProperty, Scope, SheetImport } from './sheet.js';
import { supports } from './supports.js';

/** What at-rules say before their blocks, and in those that are declarations alone. */

type Listed = CssNode & { children: { toArray(): CssNode[] } };
export const listOf = (node: CssNode | null | undefined): CssNode[] =>
  node && 'children' in node && node.children ? (node as Listed).children.toArray() : [];

export function mediaCondition(prelude: CssNode | null): Condition {
  const list = prelude?.type === 'Raw' ? undefined : (listOf(prelude)[0] ?? undefined);
  return { kind: 'media', query: { text: prelude ? generate(prelude) : '', node: list } };
}

/** A `media` attribute or a query by itself. */
export function parseMedia(text: string): Condition & { kind: 'media' } {
  return { kind: 'media', query: { text, node: text.trim() === '' ? undefined : readMedia(text) } };
}

/** The parser reports errors that it then recovers from here, so only what it left unread counts. */
function readMedia(text: string): CssNode | undefined {
  try {
    const node = parse(text, { context: 'mediaQueryList', onParseError: () => undefined });
    return find(node, (inner) => inner.type === 'Raw') ? undefined : node;
  } catch {
    return undefined;
  }
}

export const supportsCondition = (prelude: CssNode | null): Condition => ({
  kind: 'supports',
  holds: supports(listOf(prelude)[0]),
  text: prelude ? generate(prelude) : '',
});

/** CSS Conditional 5, section 5.1: an optional name, then the query. */
export function containerCondition(prelude: CssNode | null, source: string): Condition {
  const text = prelude?.loc ? source.slice(prelude.loc.start.offset, prelude.loc.end.offset).trim() : '';
  const parts = listOf(prelude);
  const name = parts[0]?.type === 'Identifier' && parts[0].name.toLowerCase() !== 'not' ? parts[0].name : undefined;
  return { kind: 'container', name, node: parts.find((part) => part.type === 'Condition'), text };
}

/** `(start) to (end)`, both optional; undefined when a selector in it is invalid. */
export function readScope(prelude: CssNode | null, source: string, parent: Scope | undefined): Scope | undefined {
  const text = prelude?.loc ? source.slice(prelude.loc.start.offset, prelude.loc.end.offset).trim() : '';
  const [start, end] = text === '' ? [] : splitScope(text);
  if (text !== '' && start === undefined && end === undefined) return undefined;
  try {
    return {
      roots: start === undefined ? undefined : compileText(start, parent ? { parents: [], scoped: true } : {}),
      limits: end === undefined ? [] : compileText(end, { parents: [], scoped: true }),
      parent,
    };
  } catch (error) {
    if (error instanceof InvalidSelectorError) return undefined;
    throw error;
  }
}

/** Splits at the `to` that stands between the two parentheses. */
function splitScope(text: string): [string | undefined, string | undefined] {
  let depth = 0;
  let at = -1;
  for (let i = 0; i < text.length; i++) {
    if (text[i] === '(') depth++;
    else if (text[i] === ')') depth--;
    else if (depth === 0 && /^to\b/i.test(text.slice(i))) {
      at = i;
      break;
    }
  }
  const inner = (part: string) => {
    const trimmed = part.trim();
    return trimmed.startsWith('(') && trimmed.endsWith(')') ? trimmed.slice(1, -1) : undefined;
  };
  return at < 0 ? [inner(text), undefined] : [inner(text.slice(0, at)), inner(text.slice(at + 2))];
}

/** CSS Properties and Values 1, section 3: a rule without its name, syntax or inheritance is invalid. */
export function readProperty(node: Atrule, conditions: readonly Condition[]): RegisteredProperty | undefined {
  const name = node.prelude ? generate(node.prelude).trim() : '';
  if (!name.startsWith('--')) return undefined;
  const descriptors = new Map<string, string>();
  for (const item of listOf(node.block)) {
    if (item.type === 'Declaration') {
      const value = item.value.type === 'Raw' ? item.value.value : generate(item.value);
      descriptors.set(item.property.toLowerCase(), value.trim());
    }
  }
  const syntaxText = descriptors.get('syntax');
  const inherits = descriptors.get('inherits')?.toLowerCase();
  if (!syntaxText || !/^(["']).*\1$/s.test(syntaxText) || (inherits !== 'true' && inherits !== 'false'))
    return undefined;
  const syntax = cssString.decode(syntaxText).trim();
  const initial = descriptors.get('initial-value');
  if (initial === undefined && syntax !== '*') return undefined;
  return { name, syntax, inherits: inherits === 'true', initial, conditions };
}

export function readImport(node: Atrule, anonymousLayer: () => string): SheetImport | undefined {
  const parts = listOf(node.prelude);
  const first = parts[0];
  const address = first?.type === 'Url' || first?.type === 'String' ? first.value : undefined;
  if (address === undefined) return undefined;
  let layer: string[] | undefined;
  const conditions: Condition[] = [];
  for (const part of parts.slice(1)) {
    if (part.type === 'Identifier' && part.name.toLowerCase() === 'layer') layer = [anonymousLayer()];
    else if (part.type === 'Function' && part.name.toLowerCase() === 'layer')
      layer = generate(part).slice(6, -1).split('.');
    else if (part.type === 'Function' && part.name.toLowerCase() === 'supports') {
      conditions.push(supportsCondition(part));
    } else if (part.type === 'MediaQueryList') {
      conditions.push({ kind: 'media', query: { text: generate(part), node: part } });
    }
  }
  return { address, layer, conditions };
}
