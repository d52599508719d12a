import { ident, walk, type CssNode } from 'css-tree';
import type { PlainCompound, PlainSelector } from '../css/selector/plain-list.js';
import { sheetText } from '../css/sheet/shared-sheet.js';
import type { SheetText } from '../css/sheet/sheet.js';
import { readCss } from '../css/syntax/read.js';
import { once } from '../memo/once.js';
import { markerOf, partMarkerOf } from './markers.js';
import type { Edit } from './edit.js';
import { ASKS_HISTORY, historyEdits, UNVISITED } from './history-marks.js';
import { importSpans, urlSpansOf, type ImportSpan, type UrlSpan } from './references.js';
import { mediaSpans, type MediaSpan } from './frame-media.js';
import type { PageTree } from '../tree/tree.js';

/** A rule, and what elements must be called for each of its selectors to reach any. */
interface ReachSpan {
  readonly start: number;
  readonly end: number;
  readonly selectors: readonly PlainSelector[];
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
  readonly rules: readonly ReachSpan[];
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
  const sheet = sheetText(source);
  const { css, marks, rules } = readMarks(sheet, states);
  return { css, imports: importSpans(css), urls: urlSpansOf(sheet), marks, media: mediaSpans(sheet), rules };
}

/**
 * Where states are to be marked, and which rules could be left out of a sheet that is long.
 *
 * @param states none where nothing is marked, and nothing left out
 */
export function readMarks(
  sheet: SheetText,
  states: ReadonlySet<string>,
): Pick<PreparedSheet, 'css' | 'marks' | 'rules'> {
  // What the figures leave out is not shown either.
  const { text: css, spans } = sheet;
  if (!states.size) return { css, marks: [], rules: [] };
  const mentions = new RegExp(`:(?:${[...states, 'link'].join('|')})(?![\\w-])`, 'i');
  const marks: Edit[] = [];
  const rules: ReachSpan[] = [];
  const isLong = css.length >= LEAST_LENGTH;
  for (const scope of spans.scopes) {
    const prelude = css.slice(scope.start, scope.end);
    if (!mentions.test(prelude)) continue;
    const read = readCss(prelude, 'atrulePrelude', { atrule: 'scope', positions: true, offset: scope.start });
    if (read) marks.push(...marksIn(read, css, states));
  }
  for (const span of spans.rules) {
    const prelude = css.slice(span.prelude.start, span.prelude.end);
    const isMarked = prelude.includes(':') && mentions.test(prelude);
    // Of plain names and states the text alone tells where each stands, but for those behind a pseudo-element.
    const plain = isMarked && BEHIND_ITS_TEXT.test(prelude) ? undefined : span.head.plain;
    const mayBeOut = isLong && !span.holdsRules;
    if (plain && mayBeOut) rules.push({ start: span.start, end: span.end, selectors: plain });
    if (plain && isMarked) marks.push(...marksInPlain(prelude, span.prelude.start, states));
    if (plain || (!isMarked && !mayBeOut)) continue;
    const read = readCss(prelude, 'selectorList', { positions: true, offset: span.prelude.start });
    if (read?.type !== 'SelectorList') continue;
    if (isMarked) {
      marks.push(...marksIn(read, css, states));
      if (states.has('visited') && ASKS_HISTORY.test(prelude)) marks.push(...historyEdits(read, span, css));
    }
    const selectors = mayBeOut ? read.children.toArray().flatMap((selector) => namesOf(selector) ?? []) : [];
    if (selectors.length && selectors.length === read.children.size)
      rules.push({ start: span.start, end: span.end, selectors });
  }
  return { css, marks, rules };
}

/** What is not told from a plain list alone: texts, pseudo-elements, and the history of links. */
const BEHIND_ITS_TEXT = /["']|::|:(before|after|first-line|first-letter|link|visited)(?![\w-])/i;

/** Marks in a list of plain names and states. */
const marksInPlain = (prelude: string, offset: number, states: ReadonlySet<string>): Edit[] =>
  Array.from(prelude.matchAll(/:([\w-]+)(?![\w(-])/g)).flatMap(({ index, 0: text, 1: name = '' }) =>
    states.has(name.toLowerCase())
      ? [{ start: offset + index, end: offset + index + text.length, text: `[${markerOf(name.toLowerCase())}]` }]
      : [],
  );

/** Marks of the states that some selectors ask for. */
function marksIn(selectors: CssNode, css: string, states: ReadonlySet<string>): Edit[] {
  const marks: Edit[] = [];
  walk(selectors, {
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
  walk(selectors, {
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
  return marks;
}

/** What a selector asks of names; undefined where that is nothing. What stands in a pseudo-class asks for none. */
function namesOf(selector: CssNode): PlainSelector | undefined {
  const nodes = selector.type === 'Selector' ? selector.children.toArray() : [];
  const asked = nodes.flatMap((node): PlainCompound[] => {
    if (node.type === 'ClassSelector') return [{ ...NO_NAME, classes: [ident.decode(node.name)] }];
    if (node.type === 'IdSelector') return [{ ...NO_NAME, id: ident.decode(node.name) }];
    if (node.type !== 'TypeSelector' || node.name === '*' || node.name.includes('|')) return [];
    return [{ ...NO_NAME, tag: ident.decode(node.name).toLowerCase() }];
  });
  const [last, ...beside] = asked;
  return last && { last, around: [], beside };
}
const NO_NAME: PlainCompound = { tag: undefined, id: undefined, classes: [] };

/** All names that elements of a page have; asked for by every sheet and frame. */
const namesOn = once((tree: PageTree) => ({
  tags: new Set(tree.elements.map(({ name }) => name.toLowerCase())),
  ids: new Set(tree.elements.map(({ id }) => id)),
  classes: new Set(tree.elements.flatMap(({ classes }) => classes)),
}));

/** Leaves out what reaches nothing on a page. Where names match without regard to case, everything stays. */
export function unreached({ rules }: PreparedSheet, tree: PageTree): Edit[] {
  if (tree.quirks || !rules.length) return [];
  const { tags, ids, classes } = namesOn(tree);
  const isThere = (compound: PlainCompound): boolean =>
    (compound.tag === undefined || tags.has(compound.tag)) &&
    (compound.id === undefined || ids.has(compound.id)) &&
    compound.classes.every((name) => classes.has(name));
  const mayReach = ({ last, around, beside }: PlainSelector): boolean =>
    isThere(last) && around.every(isThere) && beside.every(isThere);
  return rules.flatMap(({ start, end, selectors }) => (selectors.some(mayReach) ? [] : [{ start, end, text: '' }]));
}
