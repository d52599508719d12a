import { string as cssString } from 'css-tree';
import { MARKED_STATES } from './markers.js';
import { sheetText } from '../css/sheet/shared-sheet.js';
import type { Edit } from './edit.js';
import { prepareSheet, readMarks, unreached } from './prepared-sheet.js';
import { isDataAddress, urlSpans, type UrlSpan } from './references.js';
import { withFrameMedia, type FrameMedia } from './frame-media.js';
import { resolveAddress } from './sheets.js';
import type { PageTree } from '../tree/tree.js';

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
  /** What its media queries are answered with. */
  readonly media?: FrameMedia | undefined;
  /** A page as it stays: rules that can reach nothing on it are left out of long sheets. */
  readonly only?: PageTree | undefined;
}

const MAX_IMPORT_DEPTH = 8;
/** Loads nothing and is no error. */
const NOTHING = 'data:,';

function applyEdits(text: string, edits: readonly Edit[]): string {
  const sorted = [...edits].sort((a, b) => a.start - b.start || a.end - b.end);
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
  return applyEdits(css, urlEdits(urlSpans(css), options));
}

function urlEdits(spans: readonly UrlSpan[], options: Pick<RewriteOptions, 'address' | 'assetAt'>): Edit[] {
  return spans.flatMap((span) => {
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
export function markStates(source: string, states: ReadonlySet<string> = MARKED_STATES): string {
  const { css, marks } = readMarks(sheetText(source), states);
  return applyEdits(css, marks);
}

/** A sheet as a frame may load it: addresses made local, @import put in place, states marked when asked. */
export function rewriteSheet(source: string, options: RewriteOptions): string {
  const prepared = prepareSheet(source, options.markStates);
  const { depth = 0, media: shownTo = {} } = options;
  const edits: Edit[] = options.only ? unreached(prepared, options.only) : [];
  for (const span of prepared.imports) {
    const absolute = resolveAddress(span.address, options.address);
    const text = absolute && depth < MAX_IMPORT_DEPTH ? options.sheetAt(absolute) : undefined;
    const inner = text && absolute ? rewriteSheet(text, { ...options, address: absolute, depth: depth + 1 }) : '';
    edits.push({
      start: span.start,
      end: span.end,
      text: inner ? wrapImport(inner, withFrameMedia(span.rest, shownTo)) : '',
    });
  }
  const media = prepared.media.map((span) => ({ ...span, text: withFrameMedia(span.text, shownTo) }));
  edits.push(...urlEdits(prepared.urls, options), ...prepared.marks, ...media);
  return applyEdits(prepared.css, edits);
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
