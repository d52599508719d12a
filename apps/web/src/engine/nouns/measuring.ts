import type { PageGeometry } from '@retoque/contract';
import { geometryOf, layoutKey, storeGeometry, VIEWPORTS, type Look, type ViewportName } from '@retoque/core';
import { environmentOf } from '../asking';
import type { ComponentRef, Engine, ToMeasure } from '../protocol';
import type { SiteFiles } from '../site-files';
import { asWorn, dressed, opened, placeOfRef, sessionOf } from '../sites';

const layoutPlace = (versionId: string, viewport: ViewportName, key: string) => `${versionId} ${viewport} ${key}`;

/** What may have moved boxes of a page: the look in hand, and those that lie under it. */
const layoutOf = (ref: ComponentRef, look: Look): string =>
  [layoutKey(look), dressed(ref.versionId).layoutUnder(placeOfRef(ref))].filter(Boolean).join('\n');

/** What has to be laid out in a frame, and what was measured there. */
export function measuringOf(
  files: SiteFiles,
): Pick<Engine, 'pageToMeasure' | 'pageMeasured' | 'toMeasure' | 'measured'> {
  /** Look that the geometry of a page was measured under, by page, viewport and what was opened. */
  const layouts = new Map<string, string>();
  return {
    async pageToMeasure(versionId, viewport) {
      const { page, session } = opened(versionId);
      if (session.measures.hasGeometry(environmentOf(viewport))) return undefined;
      return { opened: '', html: session.frame({ still: true, ...files.assetsOf(page) }), forced: 0, look: [] };
    },

    async pageMeasured(versionId, viewport, elements) {
      const { session } = opened(versionId);
      const geometry = geometryOf(VIEWPORTS[viewport], elements);
      session.measures.setGeometry(geometry);
      return storeGeometry(geometry, session.tree) as PageGeometry;
    },

    async toMeasure(ref, told, viewport) {
      const look = asWorn(ref, told);
      const { page, session } = opened(ref.versionId);
      const component = sessionOf(ref);
      const environment = environmentOf(viewport);
      const layout = layoutOf(ref, look);
      const own = layout ? files.framesOf(component.frameRules(look, { environment }), page) : [];
      return component.openings(look, environment).flatMap(({ key, seen }): ToMeasure[] => {
        const isKnown = session.measures.hasGeometry(environment, key);
        if (isKnown && (layouts.get(layoutPlace(ref.versionId, viewport, key)) ?? '') === layout) return [];
        const html = session.frame({
          still: true,
          tree: seen.stage.tree,
          forced: seen.view.forced,
          ...files.assetsOf(page),
        });
        return [{ opened: key, html, forced: seen.view.forced.union, look: own }];
      });
    },

    async measured(ref, told, viewport, key, elements) {
      const look = asWorn(ref, told);
      const { session } = opened(ref.versionId);
      const geometry = geometryOf(VIEWPORTS[viewport], elements);
      const layout = layoutOf(ref, look);
      session.measures.setGeometry(geometry, key);
      layouts.set(layoutPlace(ref.versionId, viewport, key), layout);
      if (layout) return undefined;
      return { ...storeGeometry(geometry, session.tree), ...(key ? { opened: key } : {}) } as PageGeometry;
    },
  };
}
