import { ident, walk, type CssNode, type Rule } from 'css-tree';
import { readWithinBounds, withinBrackets } from '../css/syntax/parser.js';
import { once } from '../memo/once.js';
import { markerOf, partMarkerOf } from './markers.js';
import type { Edit } from './edit.js';
import { historyEdits, UNVISITED } from './history-marks.js';
import { importSpans, urlSpans, type ImportSpan, type UrlSpan } from './references.js';
import { mediaSpans, type MediaSpan } from './frame-media.js';
import type { PageTree } from '../tree/tree.js';

/** A rule, and what elements must be called for each of its selectors to reach any. */
interface RuleSpan {
  readonly start: number;
  readonly end: number;
  readonly needs: readonly (readonly string[])[];
}

/** A sheet with all that is rewritten of it, whichever page it is put into. */
export interface PreparedSheet {
  readonly css: string;
  readonly imports: readonly ImportSpan[];
  readonly urls: readonly UrlSpan[];
  readonly marks: readonly Edit[];
  /** Where its media rules ask for what a frame answers. */
  readonly media: readonly MediaSpan[];
  /** Rules that may be left out where they reach nothing; the outermost, and without rules within them. */
  readonly rules: readonly RuleSpan[];
}

/** Sheets that are kept with what was found in them. */
const MAX_PREPARED = 40;
/** Rules of shorter sheets are all kept: leaving some out would gain nothing. */
const LEAST_LENGTH = 20_000;

const prepared = new Map<string, Map<string, PreparedSheet>>();

/**
 * Reads a sheet once, however many frames it is put into.
 *
 * @param states names of the pseudo-classes that markers stand in place of
 */
export function prepareSheet(source: string, states: ReadonlySet<string>): PreparedSheet {
  let bySource = prepared.get(source);
  if (!bySource) {
    prepared.set(source, (bySource = new Map()));
    if (prepared.size > MAX_PREPARED) prepared.delete(prepared.keys().next().value!);
  }
  const key = [...states].join();
  let own = bySource.get(key);
  if (!own) bySource.set(key, (own = prepareAfresh(source, states)));
  return own;
}

function prepareAfresh(source: string, states: ReadonlySet<string>): PreparedSheet {
  // What the figures leave out is not shown either.
  const read = states.size ? readMarks(source, states) : { css: withinBrackets(source), marks: [], rules: [] };
  const { css, marks, rules } = read;
  return { css, imports: importSpans(css), urls: urlSpans(css), marks, media: mediaSpans(css), rules };
}

/** Where states are to be marked, and which rules could be left out. */
export function readMarks(source: string, states: ReadonlySet<string>): Pick<PreparedSheet, 'css' | 'marks' | 'rules'> {
  const marks: Edit[] = [];
  const rules: RuleSpan[] = [];
  const read = readWithinBounds(source, { positions: true, parseValue: false, onParseError: () => undefined });
  const { node: sheet, text: css } = read;
  walk(sheet, {
    visit: 'Selector',
    enter(node) {
      const nodes = node.children.toArray();
      const at = nodes.findIndex((item) => item.type === 'PseudoElementSelector');
      const pseudo = nodes[at];
      const last = nodes.at(-1);
      if (!pseudo?.loc || !last?.loc || at === nodes.length - 1) return;
      // States of a pseudo-element are marked on the element that it belongs to.
      const after = css.slice(pseudo.loc.end.offset, last.loc.end.offset);
      if (![...states].some((name) => after.includes(`:${name}`))) return;
      const marked = after.replace(/:([a-z-]+)(?![\w(-])/g, (text, name: string) =>
        states.has(name) ? `[${partMarkerOf(name)}]` : text,
      );
      const own = css.slice(pseudo.loc.start.offset, pseudo.loc.end.offset);
      marks.push({ start: pseudo.loc.start.offset, end: last.loc.end.offset, text: marked + own });
    },
  });
  walk(sheet, {
    visit: 'PseudoClassSelector',
    enter(node) {
      const name = node.name.toLowerCase();
      if (node.children || !node.loc) return;
      const { start, end } = node.loc;
      if (states.has(name)) marks.push({ start: start.offset, end: end.offset, text: `[${markerOf(name)}]` });
      else if (name === 'link' && states.has('visited')) {
        marks.push({ start: start.offset, end: end.offset, text: UNVISITED });
      }
    },
  });
  if (states.has('visited')) {
    walk(sheet, { visit: 'Rule', enter: (node) => void marks.push(...historyEdits(node, css)) });
  }
  if (css.length >= LEAST_LENGTH) {
    walk(sheet, {
      visit: 'Rule',
      enter(node) {
        const span = ruleSpan(node);
        if (span) rules.push(span);
      },
    });
  }
  return { css, marks, rules };
}

function ruleSpan({ prelude, block, loc }: Rule): RuleSpan | undefined {
  if (prelude.type !== 'SelectorList' || !loc) return undefined;
  // A rule within another may reach what the outer one does not.
  if (block.children.some((node) => node.type === 'Rule' || node.type === 'Atrule')) return undefined;
  const needs = prelude.children.toArray().map(needsOf);
  if (!needs.every((own) => own.length)) return undefined;
  return { start: loc.start.offset, end: loc.end.offset, needs };
}

/** Names that elements must have for a selector to reach any; what stands in a pseudo-class asks for nothing. */
const needsOf = (selector: CssNode): string[] =>
  selector.type !== 'Selector'
    ? []
    : selector.children.toArray().flatMap((node): string[] => {
        if (node.type === 'ClassSelector') return [`.${ident.decode(node.name)}`];
        if (node.type === 'IdSelector') return [`#${ident.decode(node.name)}`];
        if (node.type !== 'TypeSelector' || node.name === '*' || node.name.includes('|')) return [];
        return [ident.decode(node.name).toLowerCase()];
      });

/** All names that elements of a page have; asked for by every sheet and frame. */
const namesOf = once((tree: PageTree): ReadonlySet<string> => {
  const names = new Set<string>();
  for (const { name, id, classes } of tree.elements) {
    names.add(name.toLowerCase());
    if (id !== undefined) names.add(`#${id}`);
    for (const own of classes) names.add(`.${own}`);
  }
  return names;
});

/** Leaves out what reaches nothing on a page. Where names match without regard to case, everything stays. */
export function unreached({ rules }: PreparedSheet, tree: PageTree): Edit[] {
  if (tree.quirks || !rules.length) return [];
  const names = namesOf(tree);
  return rules.flatMap(({ start, end, needs }) =>
    needs.every((own) => own.some((name) => !names.has(name))) ? [{ start, end, text: '' }] : [],
  );
}
