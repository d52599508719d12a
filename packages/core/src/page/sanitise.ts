import { parse, serialize, type DefaultTreeAdapterTypes as Dom } from 'parse5';

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
/** Control characters and spaces are ignored by URL parsers, so they may not hide a scheme. */
function isScriptAddress(value: string): boolean {
  const plain = [...value].filter((character) => character > ' ').join('');
  return /^(javascript|vbscript|data:text\/html)/i.test(plain);
}

/**
 * Takes out of a page all that could run or load by itself: scripts, event handlers, plug-ins, frames, refreshes and
 * noscript (scripting counts as enabled, so a browser would not show it). Comments go as well.
 */
export function sanitiseHtml(source: string): { html: string; removed: Removed } {
  const removed: Removed = { scripts: 0, handlers: 0, plugins: 0, refreshes: 0, frames: 0 };
  const document = parse(source, { scriptingEnabled: true });

  const keep = (node: Dom.ChildNode): boolean => {
    if (node.nodeName === '#comment') return false;
    if (!isElement(node)) return true;
    const name = node.tagName.toLowerCase();
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
  return { html: serialize(document), removed };
}
