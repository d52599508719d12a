import { ComponentSession, PageMeasures, PageSession, selectAll, type Look } from '@retoque/core';
import type { ComponentRef, EnginePage, KeptLook } from './protocol';

/** Pages as they were handed in; small beside what is worked out from them, so many are kept. */
const sources = new Map<string, EnginePage>();
/** Parsed pages, the least recently used first. */
const sessions = new Map<string, PageSession>();
/** Components of a page that is parsed, and the CSS of the others that reach into them. */
const components = new Map<string, { sessions: Map<string, ComponentSession>; wider: Map<string, string> }>();
/** What was measured of pages; kept while a page is put away and parsed again. */
const measures = new Map<string, PageMeasures>();

const MAX_SOURCES = 200;
const MAX_SESSIONS = 8;
/** Sessions of one page; a look of another component that changes may make a new one. */
const MAX_COMPONENTS = 60;
const MAX_WIDER = 200;

/** Beyond a number of entries the one that was put in first goes; tells which. */
function forgetOldest<K>(map: Map<K, unknown>, most: number): K | undefined {
  if (map.size <= most) return undefined;
  const [oldest] = map.keys();
  map.delete(oldest!);
  return oldest;
}

function measuresOf(versionId: string): PageMeasures {
  let own = measures.get(versionId);
  if (!own) measures.set(versionId, (own = new PageMeasures()));
  return own;
}

/** Keeps a page, so that it can be asked about by its id alone. */
export function keepSource(page: EnginePage): void {
  sources.set(page.id, page);
  const gone = forgetOldest(sources, MAX_SOURCES);
  if (gone !== undefined) components.delete(gone);
}

/**
 * A page that was opened before; parsed again where it has been put away since.
 *
 * @throws Error for a page that was not kept
 */
export function opened(versionId: string): { page: EnginePage; session: PageSession } {
  const page = sources.get(versionId);
  if (!page) throw new Error('This page is not open yet.');
  const session = sessions.get(versionId) ?? new PageSession(page, undefined, measuresOf(versionId));
  sessions.delete(versionId);
  sessions.set(versionId, session);
  const gone = forgetOldest(sessions, MAX_SESSIONS);
  if (gone !== undefined) components.delete(gone);
  return { page, session };
}

function componentsOf(versionId: string) {
  let own = components.get(versionId);
  if (!own) components.set(versionId, (own = { sessions: new Map(), wider: new Map() }));
  return own;
}

function unlessKnown<T>(known: Map<string, T>, key: string, most: number, make: () => T): T {
  const found = known.get(key);
  if (found !== undefined) return found;
  const made = make();
  known.set(key, made);
  forgetOldest(known, most);
  return made;
}

/** A component of a page, with the looks that reach into it; the same one as long as these say the same. */
export function sessionOf(ref: ComponentRef): ComponentSession {
  const { session: page } = opened(ref.versionId);
  const { kind, locator, parts = {}, pageId, bounds } = ref;
  const before = widerCss(ref, page);
  const key = JSON.stringify([kind, locator, parts, bounds, pageId, before]);
  return unlessKnown(
    componentsOf(ref.versionId).sessions,
    key,
    MAX_COMPONENTS,
    () => new ComponentSession(page, kind, locator, { parts, pageId, bounds, before }),
  );
}

const isSame = (ref: ComponentRef, other: KeptLook): boolean =>
  other.kind === ref.kind && other.locator.selector === ref.locator.selector;

/** CSS of the components that reach wider than one and touch it; what reaches least stands last. */
function widerCss(ref: ComponentRef, page: PageSession): string {
  const others = ref.others.filter((other) => other.look.settings.length && !isSame(ref, other));
  if (!others.length) return '';
  const { kind, locator, pageId, bounds } = ref;
  const key = JSON.stringify([kind, locator, pageId, bounds, others]);
  return unlessKnown(componentsOf(ref.versionId).wider, key, MAX_WIDER, () => widerAfresh(ref, others, page));
}

function widerAfresh(ref: ComponentRef, others: readonly KeptLook[], page: PageSession): string {
  const own = safely(() => selectAll(page.tree, ref.locator.selector)) ?? [];
  const within = new Set<unknown>(own);
  for (const element of page.tree.elements) if (element.parent && within.has(element.parent)) within.add(element);
  return others
    .flatMap((other) => {
      const session = safely(() =>
        sessionOf({ ...ref, kind: other.kind, locator: other.locator, parts: other.look.parts, others: [] }),
      );
      if (!session) return [];
      const roots = session.located.elements;
      // A look is wider when it reaches beyond this component as well as into it.
      const inside = session.parts.some((part) => part.elements.some((element) => within.has(element)));
      const outside = roots.some((element) => !within.has(element));
      return inside && outside ? [{ css: cssOf(session, other.look), reach: roots.length }] : [];
    })
    .sort((a, b) => b.reach - a.reach)
    .map(({ css }) => css)
    .join('\n');
}

/** The CSS that components' looks came to last; one look reaches into many components. */
const printed = new WeakMap<ComponentSession, { readonly look: string; readonly css: string }>();

function cssOf(session: ComponentSession, look: Look): string {
  const text = JSON.stringify(look);
  let known = printed.get(session);
  if (known?.look !== text) printed.set(session, (known = { look: text, css: session.css(look) }));
  return known.css;
}

function safely<T>(run: () => T): T | undefined {
  try {
    return run();
  } catch {
    // What is not on this page has no say on it.
    return undefined;
  }
}
