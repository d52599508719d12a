import { distance } from 'fastest-levenshtein';
import { generate, ident, type CssNode, type Selector } from 'css-tree';
import { selectAll } from '../selector/locator.js';
import type { ElementNode, PageTree } from '../../tree/tree.js';
import { readCss } from '../syntax/read.js';
import { InvalidSelectorError } from '../selector/match.js';
import { stripStates } from '../selector/strip-states.js';

/** A selector that would match something, near to one that matches nothing. */
export interface NearMiss {
  readonly selector: string;
  /** What is different, as a sentence. */
  readonly hint: string;
  /** How many elements it would match. */
  readonly matches: number;
  readonly elements: readonly ElementNode[];
}

/** Names that stand on the page's elements. */
class Names {
  readonly classes = new Set<string>();
  readonly ids = new Set<string>();
  readonly tags = new Set<string>();

  constructor(tree: PageTree) {
    for (const element of tree.elements) {
      this.tags.add(element.name.toLowerCase());
      if (element.id !== undefined) this.ids.add(element.id);
      for (const name of element.classes) this.classes.add(name);
    }
  }
}

const known = new WeakMap<PageTree, Names>();
const namesOf = (tree: PageTree): Names => {
  let names = known.get(tree);
  if (!names) known.set(tree, (names = new Names(tree)));
  return names;
};

const MAX_SUGGESTIONS = 3;

/** How far a name is from another that somebody could have meant; undefined where it is no such name. */
export function slipsBetween(wanted: string, name: string): number | undefined {
  const lower = wanted.toLowerCase();
  const other = name.toLowerCase();
  if (other === lower) return 0;
  const shorter = Math.min(lower.length, other.length);
  const most = Math.max(1, Math.floor(shorter / 4));
  const slips = Math.abs(lower.length - other.length) > most ? Infinity : distance(lower, other);
  if (slips <= most) return slips;
  const contains = shorter >= 4 && (lower.includes(other) || other.includes(lower));
  return contains ? 3 + Math.abs(lower.length - other.length) / 10 : undefined;
}

/** Names that somebody could have meant: spelt with a slip, in another case, or with a part more or less. */
function similar(wanted: string, names: ReadonlySet<string>): string[] {
  const scored = [...names].flatMap((name): [string, number][] => {
    const slips = name === wanted ? undefined : slipsBetween(wanted, name);
    return slips === undefined ? [] : [[name, slips]];
  });
  return scored
    .sort((a, b) => a[1] - b[1])
    .slice(0, MAX_SUGGESTIONS)
    .map(([name]) => name);
}

interface Variant {
  readonly nodes: readonly CssNode[];
  readonly hint: string;
}

const className = (name: string): CssNode => ({ type: 'ClassSelector', name: ident.encode(name) });
const idName = (name: string): CssNode => ({ type: 'IdSelector', name: ident.encode(name) });

/** One change at a time: another spelling, `#` for `.`, a space too many or too few. */
function* variants(nodes: readonly CssNode[], names: Names): Generator<Variant> {
  const replaced = (at: number, by: readonly CssNode[], count = 1) => [
    ...nodes.slice(0, at),
    ...by,
    ...nodes.slice(at + count),
  ];
  for (const [i, node] of nodes.entries()) {
    if (node.type === 'ClassSelector' && !names.classes.has(ident.decode(node.name))) {
      const name = ident.decode(node.name);
      if (names.ids.has(name)) {
        yield {
          nodes: replaced(i, [idName(name)]),
          hint: `“${name}” is an id on this page, so it is written #${name}.`,
        };
      }
      if (names.tags.has(name.toLowerCase())) {
        yield {
          nodes: replaced(i, [{ type: 'TypeSelector', name }]),
          hint: `“${name}” is an element here, so it is written without the dot.`,
        };
      }
      for (const other of similar(name, names.classes)) {
        yield {
          nodes: replaced(i, [className(other)]),
          hint: `No element has the class “${name}”; there is “${other}”.`,
        };
      }
    } else if (node.type === 'IdSelector' && !names.ids.has(ident.decode(node.name))) {
      const name = ident.decode(node.name);
      if (names.classes.has(name)) {
        yield {
          nodes: replaced(i, [className(name)]),
          hint: `“${name}” is a class on this page, so it is written .${name}.`,
        };
      }
      for (const other of similar(name, names.ids)) {
        yield { nodes: replaced(i, [idName(other)]), hint: `No element has the id “${name}”; there is “${other}”.` };
      }
    } else if (node.type === 'TypeSelector' && node.name !== '*' && !names.tags.has(node.name.toLowerCase())) {
      const name = node.name;
      if (names.classes.has(name))
        yield {
          nodes: replaced(i, [className(name)]),
          hint: `“${name}” is a class on this page, so it is written .${name}.`,
        };
      if (names.ids.has(name))
        yield {
          nodes: replaced(i, [idName(name)]),
          hint: `“${name}” is an id on this page, so it is written #${name}.`,
        };
    } else if (node.type === 'Combinator' && node.name === ' ') {
      const next = nodes[i + 1];
      if (next && next.type !== 'TypeSelector') {
        yield {
          nodes: replaced(i, []),
          hint: 'A space stands before the last part, so it is looked for inside; without the space both mean one element.',
        };
      }
    } else if (node.type === 'Combinator' && (node.name === '>' || node.name === '+')) {
      yield {
        nodes: replaced(i, [{ type: 'Combinator', name: node.name === '>' ? ' ' : '~' }]),
        hint:
          node.name === '>'
            ? 'What it looks for stands deeper than right inside.'
            : 'What it looks for comes later than right after.',
      };
    }
    const before = nodes[i - 1];
    const glued =
      before && before.type !== 'Combinator' && (node.type === 'ClassSelector' || node.type === 'IdSelector');
    if (glued) {
      yield {
        nodes: replaced(i, [{ type: 'Combinator', name: ' ' }, node]),
        hint: 'No element is both at once; with a space the second is looked for inside the first.',
      };
    }
  }
}

const textOf = (nodes: readonly CssNode[]): string => nodes.map((node) => generate(node)).join('');

function select(tree: PageTree, selector: string): ElementNode[] {
  try {
    return selectAll(tree, stripStates(selector) ?? selector);
  } catch (error) {
    if (error instanceof InvalidSelectorError) return [];
    throw error;
  }
}

/**
 * For a selector that matches nothing on a page: selectors near to it that do. States are left aside.
 *
 * @returns the likeliest first; empty when the selector matches something or nothing is near
 */
export function nearMisses(tree: PageTree, selector: string): NearMiss[] {
  if (select(tree, selector).length) return [];
  const ast = readCss(selector, 'selector');
  if (ast?.type !== 'Selector') return [];
  const names = namesOf(tree);
  const found = new Map<string, NearMiss>();
  const look = (nodes: readonly CssNode[], hint: string): boolean => {
    const text = textOf(nodes);
    if (text === selector || found.has(text)) return found.has(text);
    const elements = select(tree, text);
    if (!elements.length) return false;
    found.set(text, { selector: text, hint, matches: elements.length, elements });
    return true;
  };
  const start = (ast as Selector).children.toArray() as CssNode[];
  const firsts = [...variants(start, names)];
  for (const { nodes, hint } of firsts) look(nodes, hint);
  // Two slips in one selector are tried only where one is not enough.
  if (!found.size) {
    for (const first of firsts) {
      for (const second of variants(first.nodes, names)) look(second.nodes, `${first.hint} ${second.hint}`);
      if (found.size >= MAX_SUGGESTIONS) break;
    }
  }
  return [...found.values()].slice(0, MAX_SUGGESTIONS);
}

/**
 * The elements that a selector would reach if those of its classes were put on that no element has, and that stand beside
 * another name: a script may put such a class on as the page is scrolled or something is pressed (`.bar.stuck`).
 */
export function reachedOnceToggled(tree: PageTree, selector: string): readonly ElementNode[] {
  const ast = readCss(selector, 'selector');
  if (ast?.type !== 'Selector') return [];
  const { classes } = namesOf(tree);
  const nodes = (ast as Selector).children.toArray() as CssNode[];
  const isName = (node: CssNode | undefined) =>
    node?.type === 'ClassSelector' || node?.type === 'IdSelector' || node?.type === 'TypeSelector';
  const isAbsent = (node: CssNode) => node.type === 'ClassSelector' && !classes.has(ident.decode(node.name));
  const compounds: CssNode[][] = [[]];
  for (const node of nodes) {
    if (node.type === 'Combinator') compounds.push([]);
    else compounds.at(-1)!.push(node);
  }
  const kept = new Set(
    compounds.flatMap((compound) =>
      compound.some((node) => isName(node) && !isAbsent(node)) ? compound.filter((node) => !isAbsent(node)) : compound,
    ),
  );
  const left = nodes.filter((node) => node.type === 'Combinator' || kept.has(node));
  return left.length === nodes.length ? [] : select(tree, textOf(left));
}

/** A selector of the site that matches nothing on a page. */
export interface Idle {
  readonly selector: string;
  readonly sheet: string;
  readonly line: number;
  readonly misses: readonly NearMiss[];
}
