import { parseFragment, type DefaultTreeAdapterTypes as Dom } from 'parse5';
import { locate, type Locator } from '../css/selector/locator.js';
import { parseDocument } from '../tree/parse-document.js';
import { parseHtml } from '../tree/parse-html.js';

/** Where new markup goes, as seen from an element of the page. */
export const CHANGE_PLACES = ['before', 'after', 'first', 'last', 'instead'] as const;
export type ChangePlace = (typeof CHANGE_PLACES)[number];

/** Markup that an owner adds to a page, or has in place of what is there. */
export interface PageChange {
  readonly locator: Locator;
  readonly place: ChangePlace;
  readonly html: string;
  /** CSS of what is added; empty where the page's own is enough. */
  readonly css: string;
}

export interface ChangedPage {
  readonly html: string;
  /** For each change, whether its place was found. */
  readonly applied: readonly boolean[];
}

const isElement = (node: Dom.Node): node is Dom.Element => 'tagName' in node;

/** Elements of a document in the order in which `parseHtml` counts them. */
function elementsOf(source: string): Dom.Element[] {
  const found: Dom.Element[] = [];
  const gather = (node: Dom.ParentNode) => {
    for (const child of node.childNodes) {
      if (!isElement(child)) continue;
      found.push(child);
      gather(child);
    }
  };
  const document = parseDocument(source, true);
  const root = document.childNodes.find(isElement);
  if (root) {
    found.push(root);
    gather(root);
  }
  return found;
}

/** Offsets that a change replaces; undefined for an element that the source does not write out. */
function spanOf(element: Dom.Element, place: ChangePlace): readonly [number, number] | undefined {
  const at = element.sourceCodeLocation;
  if (!at?.startTag) return undefined;
  switch (place) {
    case 'before':
      return [at.startOffset, at.startOffset];
    case 'after':
      return [at.endOffset, at.endOffset];
    case 'first':
      return [at.startTag.endOffset, at.startTag.endOffset];
    case 'last': {
      const end = at.endTag?.startOffset ?? at.endOffset;
      return [end, end];
    }
    case 'instead':
      return [at.startOffset, at.endOffset];
  }
}

/**
 * A page's HTML with changes made to it, one after the other; all else stays as it is written. Their CSS stands in a
 * style element of its own at the end of the head.
 *
 * @throws PageTooLargeError where the page, or the page with a change, goes past the bounds of a page
 */
export function changePage(source: string, changes: readonly PageChange[]): ChangedPage {
  let html = source;
  const applied = changes.map(({ locator, place, html: markup }) => {
    const found = locate(parseHtml(html), locator).element;
    const element = found && elementsOf(html)[found.order];
    // Nothing stands beside the root, or in place of it or of the body.
    const isBody = element?.tagName === 'html' || element?.tagName === 'head' || element?.tagName === 'body';
    const span = element && !(isBody && !['first', 'last'].includes(place)) ? spanOf(element, place) : undefined;
    if (!span) return false;
    html = html.slice(0, span[0]) + markup + html.slice(span[1]);
    return true;
  });
  const css = changes.flatMap((change, i) => (applied[i] && change.css ? [change.css] : []));
  return { html: css.length ? withStyle(html, [...new Set(css)].join('\n')) : html, applied };
}

function withStyle(html: string, css: string): string {
  const style = `<style>${css.replace(/<\/(?=style)/gi, '<\\/')}</style>`;
  const head = elementsOf(html).find((element) => element.tagName === 'head');
  const end = head?.sourceCodeLocation?.endTag?.startOffset;
  return end === undefined ? style + html : html.slice(0, end) + style + html.slice(end);
}

/** The HTML of one element of a page, as its source has it; undefined where the source does not write it out. */
export function sourceOf(html: string, order: number): string | undefined {
  const at = elementsOf(html)[order]?.sourceCodeLocation;
  return at?.startTag ? html.slice(at.startOffset, at.endOffset) : undefined;
}

/** How many elements stand at the top of some markup, and the first of them; used to tell whether it can stand for one. */
export function topElements(markup: string): readonly string[] {
  return parseFragment(markup)
    .childNodes.filter(isElement)
    .map((element) => element.tagName);
}

const NAMED_IDS = /\b(id|for|aria-(?:controls|labelledby|describedby|details|owns|activedescendant))="([^"]*)"/g;

/** Markup whose ids, and what refers to them, are none that a page has already. */
export function withFreshIds(markup: string, page: string): string {
  const taken = new Set([...page.matchAll(/\bid="([^"]*)"/g)].map((match) => match[1]!));
  const own = new Set([...markup.matchAll(/\bid="([^"]*)"/g)].map((match) => match[1]!));
  const fresh = new Map<string, string>();
  for (const id of own) {
    let next = id;
    for (let n = 2; taken.has(next); n++) next = `${id}-${n}`;
    fresh.set(id, next);
  }
  return markup.replace(
    NAMED_IDS,
    (_all, name: string, ids: string) =>
      `${name}="${ids
        .split(/\s+/)
        .map((id) => fresh.get(id) ?? id)
        .join(' ')}"`,
  );
}
