import { string as cssString, walk } from 'css-tree';
import { parse, withinBrackets } from '../css/parser.js';
import { markerOf, MARKED_STATES, partMarkerOf } from './markers.js';
import { importSpans, isDataAddress, urlSpans } from './references.js';
import { resolveAddress } from './sheets.js';

export interface RewriteOptions {
  /** Address of the sheet, which its relative addresses refer to. */
  readonly address: string;
  /** Where a stored asset is served; undefined when it is not stored, and then nothing is loaded. */
  readonly assetAt: (absolute: string) => string | undefined;
  /** Text of an imported sheet. */
  readonly sheetAt: (absolute: string) => string | undefined;
  /** State pseudo-classes that markers stand in place of; none keeps them all real. */
  readonly markStates: ReadonlySet<string>;
  readonly depth?: number;
}

interface Edit {
  readonly start: number;
  readonly end: number;
  readonly text: string;
}

const MAX_IMPORT_DEPTH = 8;
/** Loads nothing and is no error. */
const NOTHING = 'data:,';

function applyEdits(text: string, edits: readonly Edit[]): string {
  const sorted = [...edits].sort((a, b) => a.start - b.start);
  let out = '';
  let at = 0;
  for (const edit of sorted) {
    if (edit.start < at) continue;
    out += text.slice(at, edit.start) + edit.text;
    at = edit.end;
  }
  return out + text.slice(at);
}

const quote = (address: string) => `url(${cssString.encode(address)})`;

/** Points url() at stored assets; others load nothing. Used for style attributes too. */
export function rewriteUrls(css: string, options: Pick<RewriteOptions, 'address' | 'assetAt'>): string {
  return applyEdits(css, urlEdits(css, options));
}

function urlEdits(css: string, options: Pick<RewriteOptions, 'address' | 'assetAt'>): Edit[] {
  return urlSpans(css).flatMap((span) => {
    if (span.address.startsWith('#') || isDataAddress(span.address)) return [];
    const absolute = resolveAddress(span.address, options.address);
    const [file, fragment] = (absolute ?? '').split('#');
    const local = file ? options.assetAt(file) : undefined;
    return [
      { start: span.start, end: span.end, text: quote(local ? local + (fragment ? `#${fragment}` : '') : NOTHING) },
    ];
  });
}

/**
 * Puts markers in place of state pseudo-classes, at equal specificity; everything else stays as written.
 *
 * @param states names of the pseudo-classes, all that a still frame forces when absent
 */
export function markStates(css: string, states: ReadonlySet<string> = MARKED_STATES): string {
  return applyEdits(css, stateEdits(css, states));
}

function stateEdits(css: string, states: ReadonlySet<string>): Edit[] {
  const edits: Edit[] = [];
  const sheet = parse(css, { positions: true, parseValue: false, onParseError: () => undefined });
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
      edits.push({ start: pseudo.loc.start.offset, end: last.loc.end.offset, text: marked + own });
    },
  });
  walk(sheet, {
    visit: 'PseudoClassSelector',
    enter(node) {
      const name = node.name.toLowerCase();
      if (node.children || !node.loc) return;
      const { start, end } = node.loc;
      if (states.has(name)) edits.push({ start: start.offset, end: end.offset, text: `[${markerOf(name)}]` });
    },
  });
  return edits;
}

/** A sheet as a frame may load it: addresses made local, @import put in place, states marked when asked. */
export function rewriteSheet(source: string, options: RewriteOptions): string {
  // What the figures leave out is not shown either.
  const css = withinBrackets(source);
  const depth = options.depth ?? 0;
  const edits: Edit[] = [];
  for (const span of importSpans(css)) {
    const absolute = resolveAddress(span.address, options.address);
    const text = absolute && depth < MAX_IMPORT_DEPTH ? options.sheetAt(absolute) : undefined;
    const inner = text && absolute ? rewriteSheet(text, { ...options, address: absolute, depth: depth + 1 }) : '';
    edits.push({ start: span.start, end: span.end, text: inner ? wrapImport(inner, span.rest) : '' });
  }
  edits.push(...urlEdits(css, options));
  if (options.markStates.size) edits.push(...stateEdits(css, options.markStates));
  return applyEdits(css, edits);
}

/** `layer(x) supports(y) media` around the text that an @import stood for. */
function wrapImport(inner: string, rest: string): string {
  let left = rest;
  let wrapped = inner;
  let layer: string | undefined;
  const layerMatch = /^layer(?:\(([^)]*)\))?\s*/i.exec(left);
  if (layerMatch) {
    layer = layerMatch[1] ?? '';
    left = left.slice(layerMatch[0].length);
  }
  const supportsMatch = /^supports\(((?:[^()]|\([^()]*\))*)\)\s*/i.exec(left);
  if (supportsMatch) left = left.slice(supportsMatch[0].length);
  if (left.trim()) wrapped = `@media ${left.trim()} {\n${wrapped}\n}`;
  if (supportsMatch) wrapped = `@supports (${supportsMatch[1]}) {\n${wrapped}\n}`;
  if (layer !== undefined) wrapped = `@layer ${layer} {\n${wrapped}\n}`;
  return wrapped;
}
