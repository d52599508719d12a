import {
  generate,
  type Atrule,
  type Block,
  type CssLocation,
  type CssNode,
  type Rule,
  type StyleSheet,
} from 'css-tree';
import { readKeyframes } from './keyframes.js';
import type { Keyframes } from './sheet.js';
import { splitBlock } from './nested.js';
import { MAX_BRACKETS, parse, readWithinBounds } from '../syntax/parser.js';
import { RuleSelectors } from './rule-selectors.js';
import {
  StyleRule,
  type Condition,
  type LayerEntry,
  type ParsedSheet,
  type Problem,
  type RawDeclaration,
  type RegisteredProperty,
  type RuleSpan,
  type Scope,
  type SheetImport,
  type SheetText,
  type TextSpan,
} from './sheet.js';
import { type Place } from './declared.js';
import {
  containerCondition,
  listOf,
  mediaCondition,
  readImport,
  readProperty,
  readScope,
  supportsCondition,
} from './preludes.js';

/** Sheets past this many characters are refused by importers; the core itself never hangs on them. */
export const MAX_SHEET_LENGTH = 4_000_000;
const MAX_NESTING = MAX_BRACKETS;

export interface SheetOptions {
  /** Address that relative url() refer to. */
  readonly base?: string | undefined;
  /** The page is in quirks mode. */
  readonly quirks?: boolean | undefined;
}

interface Surroundings {
  readonly conditions: readonly Condition[];
  readonly layer: readonly string[];
  readonly scope: Scope | undefined;
  readonly parents: RuleSelectors | undefined;
  readonly depth: number;
}

/**
 * Reads a stylesheet as browsers do: what cannot be read is dropped, the rest stays. Never throws on malformed CSS.
 *
 * @param name shown in explanations as the sheet's name
 */
export function parseSheet(name: string, source: string, options: SheetOptions = {}): ParsedSheet & SheetText {
  const written: StyleRule[] = [];
  const heads: { readonly selectors: RuleSelectors; readonly place: Place }[] = [];
  const spans = { rules: [] as RuleSpan[], scopes: [] as TextSpan[], media: [] as TextSpan[] };
  const layers: LayerEntry[] = [];
  const imports: SheetImport[] = [];
  const registered: RegisteredProperty[] = [];
  const keyframes: Keyframes[] = [];
  const problems: Problem[] = [];
  let anonymous = 0;

  const placeOf = (node: CssNode): Place => ({
    sheet: name,
    line: node.loc?.start.line ?? 1,
    column: node.loc?.start.column ?? 1,
  });
  const problem = (message: string, node: CssNode) => problems.push({ message, place: placeOf(node) });
  const enterLayer = (path: readonly string[], conditions: readonly Condition[]) => {
    layers.push({ path, conditions });
    return path;
  };

  const { node, text } = readWithinBounds(source, {
    positions: true,
    parseValue: false,
    parseCustomProperty: false,
    // Most rules of a sheet never match anything, so their selectors are read when something asks for them.
    parseRulePrelude: false,
    onParseError: (error) => {
      const at = error as unknown as { line?: number; column?: number };
      problems.push({ message: error.message, place: { sheet: name, line: at.line ?? 1, column: at.column ?? 1 } });
    },
  });
  const sheet = node as StyleSheet;

  const readDeclaration = (node: CssNode): RawDeclaration[] => {
    if (node.type !== 'Declaration') return [];
    // `!ie` and its like are no importance, and make the declaration invalid.
    if (typeof node.important === 'string') return [];
    const value = node.value.type === 'Raw' ? node.value.value : generate(node.value);
    return [{ property: node.property, text: value.trim(), important: node.important, place: placeOf(node) }];
  };

  const addRule = (node: Rule, around: Surroundings) => {
    if (around.depth > MAX_NESTING) return;
    const selectors = new RuleSelectors(preludeOf(node), {
      parents: around.parents,
      isScoped: around.scope !== undefined,
    });
    const place = placeOf(node);
    heads.push({ selectors, place });
    if (node.loc && node.prelude.loc) {
      const [own, prelude] = [spanOf(node.loc), spanOf(node.prelude.loc)];
      spans.rules.push({ ...own, prelude, head: selectors, holdsRules: mayHoldRules(node.block, text) });
    }
    addBody(node.block, selectors, place, around);
  };

  /** Declarations after a nested rule make a rule of their own, so that order is kept (CSS Nesting 1, section 3.2). */
  const addBody = (block: Block, selectors: RuleSelectors, place: Place, around: Surroundings) => {
    const pending: RawDeclaration[] = [];
    const flush = () => {
      if (!pending.length) return;
      const { conditions, layer, scope } = around;
      const { base, quirks = false } = options;
      written.push(new StyleRule({ selectors, raw: [...pending], conditions, layer, scope, place, base, quirks }));
      pending.length = 0;
    };
    for (const child of listOf(block)) {
      const source = sourceOf(text, child);
      if (child.type === 'Raw' || (child.type === 'Declaration' && isReallyRule(child.property, source))) {
        addRaw(child, source, around, selectors, pending, flush);
      } else if (child.type === 'Declaration') pending.push(...readDeclaration(child));
      else if (child.type === 'Rule') {
        flush();
        addRule(child, { ...around, parents: selectors, depth: around.depth + 1 });
      } else if (child.type === 'Atrule' && selectors.list.length) {
        flush();
        addAtrule(child, { ...around, parents: selectors, depth: around.depth + 1 }, selectors);
      }
    }
    flush();
  };

  /** Text that the parser could not read as declarations: nested rules without `&`, and what stands between them. */
  const addRaw = (
    node: CssNode,
    source: string,
    around: Surroundings,
    selectors: RuleSelectors,
    pending: RawDeclaration[],
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
      } else if (parsed?.type === 'Atrule' && selectors.list.length) {
        flush();
        addAtrule(parsed, inner, selectors);
      } else problem(`"${piece.slice(0, 60)}" cannot be read, so it is dropped.`, node);
    }
  };

  const addBlock = (block: Block | null, around: Surroundings, owner?: RuleSelectors) => {
    if (!block || around.depth > MAX_NESTING) return;
    if (owner) {
      addBody(block, owner, placeOf(block), around);
      return;
    }
    for (const child of listOf(block)) {
      if (child.type === 'Rule') addRule(child, around);
      else if (child.type === 'Atrule') addAtrule(child, around);
    }
  };

  const addAtrule = (node: Atrule, around: Surroundings, owner?: RuleSelectors) => {
    const prelude = node.prelude;
    const inside = (condition: Condition): Surroundings => ({
      ...around,
      conditions: [...around.conditions, condition],
      depth: around.depth + 1,
    });
    switch (node.name.toLowerCase()) {
      case 'media':
        if (prelude?.loc) spans.media.push(spanOf(prelude.loc));
        addBlock(node.block, inside(mediaCondition(prelude)), owner);
        break;
      case 'supports':
        addBlock(node.block, inside(supportsCondition(prelude)), owner);
        break;
      case 'layer': {
        const names = listOf(listOf(prelude)[0]).map((item) => (item.type === 'Layer' ? item.name.split('.') : []));
        if (!node.block) {
          for (const path of names) enterLayer([...around.layer, ...path], around.conditions);
          break;
        }
        const own = names[0] ?? [`anonymous ${name} ${++anonymous}`];
        const layer = enterLayer([...around.layer, ...own], around.conditions);
        addBlock(node.block, { ...around, layer, depth: around.depth + 1 }, owner);
        break;
      }
      case 'import': {
        if (around.depth > 0 || written.some(({ selectors }) => selectors.length)) break;
        const found = readImport(node, () => `anonymous ${name} ${++anonymous}`);
        if (found) {
          if (found.layer) enterLayer(found.layer, found.conditions);
          imports.push(found);
        }
        break;
      }
      case 'container':
        addBlock(node.block, inside(containerCondition(prelude, text)), owner);
        break;
      case 'scope': {
        if (prelude?.loc) spans.scopes.push(spanOf(prelude.loc));
        const scope = readScope(prelude, text, around.scope);
        if (!scope) {
          problem(`@scope ${prelude ? generate(prelude) : ''} cannot be read, so it is dropped.`, node);
          break;
        }
        addBlock(node.block, { ...around, scope, parents: undefined, depth: around.depth + 1 });
        break;
      }
      case 'property': {
        const found = readProperty(node, around.conditions);
        if (found) registered.push(found);
        else problem('An @property rule needs a name, `syntax` and `inherits`; it is dropped.', node);
        break;
      }
      case 'keyframes':
      case '-webkit-keyframes': {
        const found = readKeyframes(node);
        if (found) keyframes.push(found);
        break;
      }
      // Values to start a transition from; at rest, transitions finished, they never apply.
      case 'starting-style':
        break;
      default:
        break;
    }
  };

  for (const node of listOf(sheet)) {
    const around: Surroundings = { conditions: [], layer: [], scope: undefined, parents: undefined, depth: 0 };
    if (node.type === 'Rule') addRule(node, around);
    else if (node.type === 'Atrule') addAtrule(node, around);
  }
  let rules: readonly StyleRule[] | undefined;
  return {
    name,
    text,
    spans,
    written,
    layers,
    imports,
    registered,
    keyframes,
    get rules() {
      return (rules ??= written.filter(({ selectors }) => selectors.length > 0));
    },
    get problems() {
      const dropped = heads.flatMap(({ selectors: { problem }, place }) =>
        problem === undefined ? [] : [{ message: `${problem} The rule is dropped.`, place }],
      );
      return [...problems, ...dropped];
    },
  };
}

const spanOf = ({ start, end }: CssLocation): TextSpan => ({ start: start.offset, end: end.offset });

const mayHoldRules = (block: Block, text: string): boolean =>
  block.children.some((child) => child.type !== 'Declaration' || isReallyRule(child.property, sourceOf(text, child)));

const preludeOf = ({ prelude }: Rule): string => (prelude.type === 'Raw' ? prelude.value : generate(prelude));

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
      parseValue: false,
      parseCustomProperty: false,
      parseRulePrelude: false,
      onParseError: () => undefined,
      ...position,
    });
  } catch {
    return undefined;
  }
}
