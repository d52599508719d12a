import { html, serialize, type DefaultTreeAdapterTypes as Dom } from 'parse5';
import { parseDocument } from './parse-document.js';

/** What was taken out of a page, by sort, for saying so. */
export interface Removed {
  scripts: number;
  handlers: number;
  plugins: number;
  refreshes: number;
  frames: number;
}

const PLUGINS = new Set(['object', 'embed', 'applet', 'param', 'portal', 'fencedframe']);
const FRAMES = new Set(['iframe', 'frame', 'frameset']);
/** Attributes that hold an address a click could run or a frame could load. */
const ADDRESS = new Set([
  'href',
  'xlink:href',
  'src',
  'action',
  'formaction',
  'poster',
  'background',
  'data',
  'from',
  'to',
  'values',
]);

const isElement = (node: Dom.Node): node is Dom.Element => 'tagName' in node;
/** True for an address that would run something. Control characters and spaces are ignored by URL parsers, and hide no scheme. */
export function isScriptAddress(value: string): boolean {
  const plain = [...value].filter((character) => character > ' ').join('');
  return /^(javascript|vbscript|data:text\/html)/i.test(plain);
}

/**
 * Takes out of a page all that could run or load by itself: scripts, event handlers, plug-ins, frames, refreshes and
 * noscript (scripting counts as enabled, so a browser would not show it). Comments go as well.
 *
 * Some markup is read otherwise once it has been written out again, so that what was text becomes an element. The
 * result is therefore cleaned until it reads the same; markup that never settles loses its SVG and MathML.
 *
 * @throws PageTooLargeError past the bounds of a page
 */
export function sanitiseHtml(source: string): { html: string; removed: Removed } {
  const removed: Removed = { scripts: 0, handlers: 0, plugins: 0, refreshes: 0, frames: 0 };
  let clean = cleanOnce(source, removed, false);
  for (let pass = 0; pass < MAX_PASSES; pass++) {
    const again = cleanOnce(clean, removed, pass >= MAX_PASSES / 2);
    if (again === clean) return { html: clean, removed };
    clean = again;
  }
  // Nothing but text is left of what does not settle even then.
  const text = clean.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');
  return { html: `<html><head></head><body>${text}</body></html>`, removed };
}

const MAX_PASSES = 12;

function cleanOnce(source: string, removed: Removed, htmlOnly: boolean): string {
  const document = parseDocument(source);

  const keep = (node: Dom.ChildNode): boolean => {
    if (node.nodeName === '#comment') return false;
    if (!isElement(node)) return true;
    const name = node.tagName.toLowerCase();
    if (htmlOnly && (node.namespaceURI !== html.NS.HTML || name === 'plaintext' || name === 'xmp')) return false;
    if (name === 'script') {
      removed.scripts++;
      return false;
    }
    if (name === 'noscript') return false;
    if (PLUGINS.has(name)) {
      removed.plugins++;
      return false;
    }
    if (FRAMES.has(name)) {
      removed.frames++;
      return false;
    }
    if (name === 'meta' && node.attrs.some((attr) => attr.name === 'http-equiv')) {
      if (node.attrs.some((attr) => attr.name === 'http-equiv' && /refresh/i.test(attr.value))) removed.refreshes++;
      return false;
    }
    return true;
  };

  const clean = (node: Dom.ParentNode): void => {
    node.childNodes = node.childNodes.filter(keep);
    for (const child of node.childNodes) {
      if (!isElement(child)) continue;
      child.attrs = child.attrs.filter((attr) => {
        const name = (attr.prefix ? `${attr.prefix}:${attr.name}` : attr.name).toLowerCase();
        if (name.startsWith('on')) {
          removed.handlers++;
          return false;
        }
        if (name === 'srcdoc' || name === 'ping') return false;
        if (ADDRESS.has(name) && isScriptAddress(attr.value)) {
          removed.handlers++;
          return false;
        }
        return true;
      });
      clean(child);
      // A template's contents live in a tree of their own.
      if ('content' in child) clean((child as Dom.Template).content);
    }
  };
  clean(document);
  return serialize(document);
}
