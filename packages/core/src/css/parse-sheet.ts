import {
  find,
  generate,
  lexer,
  parse,
  type Atrule,
  type Block,
  type CssNode,
  type Rule,
  type StyleSheet,
} from 'css-tree';
import { expandDeclaration, needsSubstitution } from './declaration.js';
import { splitBlock } from './nested.js';
import { compileParsedList, compileText, InvalidSelectorError } from './selector/match.js';
import type { CompiledSelector } from './selector/types.js';
import type { Condition, Declaration, ParsedSheet, Place, SheetImport, StyleRule } from './sheet.js';

/** Sheets past this many characters are refused by importers; the core itself never hangs on them. */
export const MAX_SHEET_LENGTH = 4_000_000;
const MAX_NESTING = 64;

interface Surroundings {
  readonly conditions: readonly Condition[];
  readonly layer: readonly string[];
  readonly parents: readonly CompiledSelector[] | undefined;
  readonly depth: number;
}

type Listed = CssNode & { children: { toArray(): CssNode[] } };
const listOf = (node: CssNode | null | undefined): CssNode[] =>
  node && 'children' in node && node.children ? (node as Listed).children.toArray() : [];

/**
 * Reads a stylesheet as browsers do: what cannot be read is dropped, the rest stays. Never throws on malformed CSS.
 *
 * @param name shown in explanations as the sheet's name
 */
export function parseSheet(name: string, text: string): ParsedSheet {
  const rules: StyleRule[] = [];
  const layers: (readonly string[])[] = [];
  const imports: SheetImport[] = [];
  const problems: { message: string; place: Place }[] = [];
  let anonymous = 0;

  const placeOf = (node: CssNode): Place => ({
    sheet: name,
    line: node.loc?.start.line ?? 1,
    column: node.loc?.start.column ?? 1,
  });
  const problem = (message: string, node: CssNode) => problems.push({ message, place: placeOf(node) });
  const enterLayer = (layer: readonly string[]) => {
    layers.push(layer);
    return layer;
  };

  const sheet = parse(text, {
    positions: true,
    parseCustomProperty: false,
    onParseError: (error) => {
      const at = error as unknown as { line?: number; column?: number };
      problems.push({ message: error.message, place: { sheet: name, line: at.line ?? 1, column: at.column ?? 1 } });
    },
  }) as StyleSheet;

  const readDeclaration = (node: CssNode): Declaration[] => {
    if (node.type !== 'Declaration') return [];
    const value = node.value.type === 'Raw' ? node.value.value : textOfValue(text, node.value);
    const found = expandDeclaration(node.property, value, node.important !== false, placeOf(node));
    if (!found.length && value.trim())
      problem(`${node.property}: ${value.trim()} is not valid, so it is dropped.`, node);
    return found;
  };

  const addRule = (node: Rule, around: Surroundings) => {
    if (around.depth > MAX_NESTING) return;
    let selectors: CompiledSelector[];
    if (node.prelude.type !== 'SelectorList') {
      problem(`The selector "${generate(node.prelude).trim()}" cannot be read, so its rule is dropped.`, node);
      return;
    }
    try {
      selectors = compileParsedList(node.prelude, { parents: around.parents });
    } catch (error) {
      if (!(error instanceof InvalidSelectorError)) throw error;
      problem(`${generate(node.prelude)}: ${error.message} The rule is dropped.`, node);
      return;
    }
    addBody(node.block, selectors, generate(node.prelude), placeOf(node), around);
  };

  /** Declarations after a nested rule make a rule of their own, so that order is kept (CSS Nesting 1, section 3.2). */
  const addBody = (
    block: Block,
    selectors: CompiledSelector[],
    selectorText: string,
    place: Place,
    around: Surroundings,
  ) => {
    const pending: Declaration[] = [];
    const flush = () => {
      if (!pending.length) return;
      const { conditions, layer } = around;
      rules.push({ selectors, selectorText, declarations: [...pending], conditions, layer, place });
      pending.length = 0;
    };
    for (const child of listOf(block)) {
      const source = sourceOf(text, child);
      if (child.type === 'Raw' || (child.type === 'Declaration' && isReallyRule(child.property, source))) {
        addRaw(child, source, around, selectors, selectorText, pending, flush);
      } else if (child.type === 'Declaration') pending.push(...readDeclaration(child));
      else if (child.type === 'Rule') {
        flush();
        addRule(child, { ...around, parents: selectors, depth: around.depth + 1 });
      } else if (child.type === 'Atrule') {
        flush();
        addAtrule(child, { ...around, parents: selectors, depth: around.depth + 1 }, { selectors, selectorText });
      }
    }
    flush();
  };

  /** Text that the parser could not read as declarations: nested rules without `&`, and what stands between them. */
  const addRaw = (
    node: CssNode,
    source: string,
    around: Surroundings,
    selectors: CompiledSelector[],
    selectorText: string,
    pending: Declaration[],
    flush: () => void,
  ) => {
    const at = node.loc?.start ?? { offset: 0, line: 1, column: 1 };
    for (const item of splitBlock(source)) {
      const piece = source.slice(item.start, item.end);
      const before = source.slice(0, item.start).split('\n');
      const position = {
        offset: at.offset + item.start,
        line: at.line + before.length - 1,
        column: before.length > 1 ? before.at(-1)!.length + 1 : at.column + item.start,
      };
      const context = item.kind === 'rule' ? 'rule' : item.kind === 'at-rule' ? 'atrule' : 'declaration';
      const inner = { ...around, parents: selectors, depth: around.depth + 1 };
      const parsed = readLoosely(piece, context, position);
      if (parsed?.type === 'Declaration') pending.push(...readDeclaration(parsed));
      else if (parsed?.type === 'Rule') {
        flush();
        addRule(parsed, inner);
      } else if (parsed?.type === 'Atrule') {
        flush();
        addAtrule(parsed, inner, { selectors, selectorText });
      } else problem(`"${piece.slice(0, 60)}" cannot be read, so it is dropped.`, node);
    }
  };

  const addBlock = (
    block: Block | null,
    around: Surroundings,
    owner?: { selectors: CompiledSelector[]; selectorText: string },
  ) => {
    if (!block || around.depth > MAX_NESTING) return;
    if (owner) {
      addBody(block, owner.selectors, owner.selectorText, placeOf(block), around);
      return;
    }
    for (const child of listOf(block)) {
      if (child.type === 'Rule') addRule(child, around);
      else if (child.type === 'Atrule') addAtrule(child, around);
    }
  };

  const addAtrule = (
    node: Atrule,
    around: Surroundings,
    owner?: { selectors: CompiledSelector[]; selectorText: string },
  ) => {
    const prelude = node.prelude;
    const inside = (condition: Condition): Surroundings => ({
      ...around,
      conditions: [...around.conditions, condition],
      depth: around.depth + 1,
    });
    switch (node.name.toLowerCase()) {
      case 'media':
        addBlock(node.block, inside(mediaCondition(prelude)), owner);
        break;
      case 'supports':
        addBlock(node.block, inside({ kind: 'supports', holds: supports(listOf(prelude)[0]) }), owner);
        break;
      case 'layer': {
        const names = listOf(listOf(prelude)[0]).map((item) => (item.type === 'Layer' ? item.name.split('.') : []));
        if (!node.block) {
          for (const path of names) enterLayer([...around.layer, ...path]);
          break;
        }
        const own = names[0] ?? [`anonymous ${name} ${++anonymous}`];
        const layer = enterLayer([...around.layer, ...own]);
        addBlock(node.block, { ...around, layer, depth: around.depth + 1 }, owner);
        break;
      }
      case 'import': {
        if (around.depth > 0 || rules.length) break;
        const found = readImport(node, () => `anonymous ${name} ${++anonymous}`);
        if (found) {
          if (found.layer) enterLayer(found.layer);
          imports.push(found);
        }
        break;
      }
      case 'container':
      case 'scope':
      case 'starting-style': {
        const text = `@${node.name} ${prelude ? generate(prelude) : ''}`.trim();
        addBlock(node.block, inside({ kind: 'unknown', text }), owner);
        break;
      }
      default:
        break;
    }
  };

  for (const node of listOf(sheet)) {
    const around: Surroundings = { conditions: [], layer: [], parents: undefined, depth: 0 };
    if (node.type === 'Rule') addRule(node, around);
    else if (node.type === 'Atrule') addAtrule(node, around);
  }
  return { name, rules, layers, imports, problems };
}

/** The author's own text of a value, so that explanations and restated rules read as written. */
function textOfValue(text: string, value: CssNode): string {
  return value.loc ? text.slice(value.loc.start.offset, value.loc.end.offset) : generate(value);
}

const sourceOf = (text: string, node: CssNode): string =>
  node.loc ? text.slice(node.loc.start.offset, node.loc.end.offset) : generate(node);

/** `a:hover { … }` begins like a declaration. */
const isReallyRule = (property: string, source: string): boolean => !property.startsWith('--') && source.includes('{');

/** Parses a piece in its place; undefined when nothing of it can be read. */
function readLoosely(
  piece: string,
  context: 'rule' | 'atrule' | 'declaration',
  position: { offset: number; line: number; column: number },
): CssNode | undefined {
  try {
    return parse(piece, {
      context,
      positions: true,
      parseCustomProperty: false,
      onParseError: () => undefined,
      ...position,
    });
  } catch {
    return undefined;
  }
}

function mediaCondition(prelude: CssNode | null): Condition {
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

/** CSS Conditional 4, section 6: what a current browser supports, judged by the grammar of the property. */
export function supports(node: CssNode | undefined): boolean {
  if (!node) return false;
  if (node.type === 'Condition') {
    let result: boolean | undefined;
    let joiner = 'and';
    let negate = false;
    for (const item of listOf(node)) {
      if (item.type === 'Identifier') {
        if (item.name.toLowerCase() === 'not') negate = true;
        else joiner = item.name.toLowerCase();
        continue;
      }
      const value = supports(item) !== negate;
      negate = false;
      result = result === undefined ? value : joiner === 'or' ? result || value : result && value;
    }
    return result ?? false;
  }
  const loose = node as unknown as { type: string; declaration?: CssNode; feature?: string; value?: CssNode };
  if (loose.type === 'SupportsDeclaration' && loose.declaration) return supports(loose.declaration);
  if (node.type === 'Declaration') {
    if (node.property.startsWith('--')) return true;
    const text = generate(node.value);
    if (needsSubstitution(text)) return lexer.getProperty(node.property) !== null;
    return node.value.type === 'Value' && !lexer.matchProperty(node.property, node.value).error;
  }
  if (loose.type === 'FeatureFunction' && loose.feature?.toLowerCase() === 'selector' && loose.value) {
    try {
      compileText(generate(loose.value));
      return true;
    } catch {
      return false;
    }
  }
  return false;
}

function readImport(node: Atrule, anonymousLayer: () => string): SheetImport | undefined {
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
      conditions.push({ kind: 'supports', holds: supports(listOf(part)[0]) });
    } else if (part.type === 'MediaQueryList') {
      conditions.push({ kind: 'media', query: { text: generate(part), node: part } });
    }
  }
  return { address, layer, conditions };
}
