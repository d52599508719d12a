import {
  Site,
  ownPartsOf,
  type Among,
  type ComponentPlace,
  type ComponentSession,
  type DressedPage,
  type Look,
  type PageSession,
  type SiteUnder,
  type WearableSite,
  type WornLook,
} from '@retoque/core';
import type { ComponentRef, EnginePage, SitePages, WornChange } from './protocol';

/** The sites that this worker was told of, the least recently used first. What they wear is small, and always kept. */
const sites = new Map<string, Site>();
/** Pages as they were handed in; small beside what is worked out from them, so many are kept. */
const sources = new Map<string, EnginePage>();

/** Sites of which pages stay parsed. */
const MAX_PARSED_SITES = 2;
const MAX_SOURCES = 200;

/** A site; what it wears is told by `wear`. */
export function siteOf(siteId: string): Site {
  const site = sites.get(siteId) ?? new Site({ isMeasuredAnew: true });
  sites.delete(siteId);
  sites.set(siteId, site);
  [...sites.values()].at(-1 - MAX_PARSED_SITES)?.putAway();
  return site;
}

/** The pages of a site as they are now. */
export const siteAt = ({ siteId, versions }: SitePages): WearableSite => siteOf(siteId).at(versions);

/** Takes note of what a site wears now; told of the looks alone that have changed. */
export function wear(siteId: string, { bounds, palette, finishes, looks, order }: WornChange): void {
  const site = siteOf(siteId);
  site.setBounds(bounds);
  site.setPalette(palette);
  site.setFinishes(finishes);
  for (const look of looks) site.wear(look as WornLook);
  site.keepOnly(order);
}

/** Keeps a page, so that it can be asked about by the id of its version alone. */
export function keepSource(page: EnginePage): void {
  sources.set(page.id, page);
  const { id: version, pageId, name, html, address, sheets } = page;
  const changes = page.changes.filter(({ applied }) => applied);
  siteOf(page.siteId).putPage({ version, pageId, name, changes, source: { html, address, sheets } });
  if (sources.size <= MAX_SOURCES) return;
  const [oldest] = sources.values();
  sources.delete(oldest!.id);
  siteOf(oldest!.siteId).removePage(oldest!.id);
}

/** Pages that are parsed now. */
export function parsedPages(): readonly { readonly page: EnginePage; readonly session: PageSession }[] {
  return [...sources.values()].flatMap((page) => {
    const session = sites.get(page.siteId)?.held(page.id);
    return session ? [{ page, session }] : [];
  });
}

function sourceOf(versionId: string): EnginePage {
  const page = sources.get(versionId);
  if (!page) throw new Error('This page is not open yet.');
  return page;
}

/**
 * A page that was opened before; parsed again where it has been put away since.
 *
 * @throws Error for a page that was not kept
 */
export function opened(versionId: string): { page: EnginePage; session: PageSession } {
  const page = sourceOf(versionId);
  return { page, session: dressed(versionId).page };
}

/** The same with the looks that its site wears. */
export function dressed(versionId: string): DressedPage {
  const page = sourceOf(versionId);
  return siteOf(page.siteId).on(versionId);
}

/** The site of a page with the newest version of each page that was opened. */
export function pagesNow(versionId: string): SiteUnder {
  const site = siteOf(sourceOf(versionId).siteId);
  const newest = new Map(site.pages.map((page) => [page.pageId, page]));
  return { pages: [...newest.values()], worn: site.worn, on: (version) => site.on(version) };
}

/** A look as it is worn: over the finish that it follows, with colours in place of the swatches that it names. */
export const asWorn = ({ versionId }: ComponentRef, look: Look): Look =>
  siteOf(sourceOf(versionId).siteId).resolve(look);

/** What of a look names something that is not there any more, and so says nothing. */
export const missingOf = ({ versionId }: ComponentRef, look: Look): readonly string[] =>
  siteOf(sourceOf(versionId).siteId).missing(look);

/** Which component a reference is to, whatever page it is seen on. */
export const placeOfRef = (ref: ComponentRef): ComponentPlace => ({
  kind: ref.kind,
  locator: ref.locator,
  ...ownPartsOf(ref),
});

/** The looks of all other components on a component's page, or none where it is shown alone. */
export const lookedAmong = (ref: ComponentRef, alone = false): Among =>
  alone ? {} : dressed(ref.versionId).around(placeOfRef(ref));

/** A component of a page, with the looks that reach into it; the same one as long as these say the same. */
export const sessionOf = (ref: ComponentRef): ComponentSession => dressed(ref.versionId).component(placeOfRef(ref));
