import type { ForcedStates } from '../css/selector/forced.js';
import { validity } from '../css/selector/validity.js';
import { isCostlyPattern, matchesPattern } from '../css/selector/pattern.js';
import { INVALID } from '../css/selector/states.js';
import { isOpened, OPENED_STATES } from '../css/selector/opened.js';
import { MARKED_STATES, markerOf, markersFor, ORDER_ATTRIBUTE, partMarkersFor, STATE_BASICS } from './markers.js';
import { isDataAddress } from './references.js';
import { rewriteSheet, rewriteUrls, type RewriteOptions } from './rewrite-sheet.js';
import { withFrameMedia, type FrameMedia } from './frame-media.js';
import { baseOf, resolveAddress, sheetUses, type StoredSheet } from './sheets.js';
import type { ElementNode, PageTree } from '../tree/tree.js';
import { lookup } from '../base/lookup.js';

export interface FrameInput extends FrameMedia {
  readonly tree: PageTree;
  readonly address: string;
  readonly sheets: readonly StoredSheet[];
  /** Where a stored asset is served, as an absolute address. */
  readonly assetAt: (absolute: string) => string | undefined;
  /** The only source from which the frame may load pictures and fonts, as a CSP source expression. */
  readonly assetSource: string;
  /** False where no picture is to load, whoever asks for one: the page, its sheets, or a look that is put into the frame. */
  readonly pictures?: boolean | undefined;
  /** Still frames show a state through markers; live ones keep the real pseudo-classes. */
  readonly still: boolean;
  readonly forced?: ForcedStates;
}

/** On a screen that is touched hovering is no state of the pointer, so a marker stands for it. */
export const TOUCHED_STATES: ReadonlySet<string> = new Set(['hover']);
const NO_STATES: ReadonlySet<string> = new Set();

const VOID = new Set('area base br col embed hr img input link meta param source track wbr'.split(' '));
const DROPPED = new Set([
  'script',
  'noscript',
  'base',
  'link',
  'meta',
  'iframe',
  'frame',
  'frameset',
  'object',
  'embed',
]);
const ADDRESSES: Readonly<Record<string, readonly string[]>> = lookup({
  img: ['src'],
  input: ['src'],
  video: ['poster'],
  image: ['href', 'xlink:href'],
  use: ['href', 'xlink:href'],
});
/** Media never play in a frame. */
const NEVER = new Set(['srcdoc', 'ping', 'autoplay', 'autofocus']);

/** A pattern that a browser would take very long over is replaced by one that says the same of the value. */
function quickPattern({ attributes }: ElementNode, pattern: string): string {
  const value = attributes.get('value') ?? '';
  if (!isCostlyPattern(pattern, value)) return pattern;
  return matchesPattern(pattern, value) === false ? '[^\\s\\S]' : '[\\s\\S]*';
}

const escapeText = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');
const escapeAttribute = (text: string) => text.replace(/&/g, '&amp;').replace(/"/g, '&quot;').replace(/</g, '&lt;');
/** Keeps CSS from ending its style element; in CSS the backslash changes nothing. */
const insideStyle = (css: string) => css.replace(/<\/(?=style)/gi, '<\\/');

/**
 * The HTML of a preview frame: no script can run in it, and it loads nothing but the site's own stored assets.
 */
export function buildFrame(input: FrameInput): string {
  const base = baseOf(input.tree, input.address);
  const texts = new Map(input.sheets.map((sheet) => [sheet.address, sheet.text]));
  const uses = new Map(sheetUses(input.tree, input.address, input.sheets).map((use) => [use.element, use]));
  const rewrite = (css: string, address: string): string => {
    const options: RewriteOptions = {
      address,
      assetAt: input.assetAt,
      sheetAt: (absolute) => texts.get(absolute),
      markStates: input.still ? MARKED_STATES : input.touch ? TOUCHED_STATES : NO_STATES,
      // What is in a still frame stays as it is.
      only: input.still ? input.tree : undefined,
      media: input,
    };
    return insideStyle(rewriteSheet(css, options));
  };
  const local = (written: string): string | undefined => {
    if (written.startsWith('#')) return written;
    if (isDataAddress(written)) return input.pictures === false ? undefined : written;
    const absolute = resolveAddress(written, base);
    const [file, fragment] = (absolute ?? '').split('#');
    const at = file ? input.assetAt(file) : undefined;
    return at && (fragment ? `${at}#${fragment}` : at);
  };

  const attributesOf = (element: ElementNode): string => {
    let out = '';
    for (const [name, value] of element.attributes) {
      const lower = name.toLowerCase();
      // What no HTML can have says what is opened here.
      if (lower.includes(' ') || lower.startsWith('on') || NEVER.has(lower) || lower.startsWith('data-rq-')) continue;
      if (lower === 'src' && !ADDRESSES[element.name]?.includes('src')) continue;
      let text = value;
      if (lower === 'pattern') text = quickPattern(element, value);
      else if (lower === 'style') text = rewriteUrls(value, { address: base, assetAt: input.assetAt });
      else if (lower === 'srcset') continue;
      else if (ADDRESSES[element.name]?.includes(lower)) {
        const at = local(value);
        if (at === undefined) continue;
        text = at;
      } else if (/^\s*(javascript|vbscript):/i.test(value)) continue;
      out += ` ${name}="${escapeAttribute(text)}"`;
    }
    out += ` ${ORDER_ATTRIBUTE}="${element.order}"`;
    const bits = input.forced?.bits.get(element) ?? 0;
    const markers = markersFor(bits);
    if (input.still) {
      // Markers stand in for validity too, so what is valid by its markup is marked.
      const valid = validity(element);
      if (valid === true && !(bits & INVALID)) markers.push(markerOf('valid'));
      else if (valid === false && !(bits & INVALID)) markers.push(markerOf('invalid'));
    }
    for (const state of OPENED_STATES) if (isOpened(element, state)) markers.push(markerOf(state));
    markers.push(...partMarkersFor(input.forced?.pseudo?.get(element) ?? 0));
    for (const marker of markers) out += ` ${marker}=""`;
    return out;
  };

  const pictureSources = input.pictures === false ? "'none'" : `${input.assetSource} data:`;
  const head = `<meta charset="utf-8"><meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'; img-src ${pictureSources}; font-src ${input.assetSource} data:; form-action 'none'; base-uri 'none'">${
    input.still ? `<style>${STATE_BASICS}</style>` : ''
  }`;

  const render = (element: ElementNode): string => {
    const use = uses.get(element);
    if (use) {
      const media = use.media ? ` media="${escapeAttribute(withFrameMedia(use.media, input))}"` : '';
      return `<style${media} ${ORDER_ATTRIBUTE}="${element.order}">${rewrite(use.text, use.address)}</style>`;
    }
    if (DROPPED.has(element.name) || (element.name === 'style' && element.namespace === 'html')) return '';
    const open = `<${element.name}${attributesOf(element)}>`;
    if (element.namespace === 'html' && VOID.has(element.name)) return open;
    // In a drawing a sheet is read as text of the page is.
    const isDrawnStyle = element.name === 'style' && element.namespace === 'svg';
    const written = (text: string) => escapeText(isDrawnStyle ? rewrite(text, base) : text);
    let inner = element.content.map((item) => (typeof item === 'string' ? written(item) : render(item))).join('');
    if (element.name === 'head') inner = head + inner;
    // A leading line break is dropped by the parser, so one is put back.
    if (['pre', 'textarea', 'listing'].includes(element.name) && inner.startsWith('\n')) inner = `\n${inner}`;
    return `${open}${inner}</${element.name}>`;
  };
  return (input.tree.quirks ? '' : '<!doctype html>') + render(input.tree.root);
}
