import { EMPTY_LOOK, type ElementNode } from '@retoque/core';
import { environmentOf } from '../asking';
import type { Engine } from '../protocol';
import type { SiteFiles } from '../site-files';
import { asWorn, dressed, lookedAmong, opened, sessionOf } from '../sites';

/** Pages as frames show them. */
export function framesOf(
  files: SiteFiles,
): Pick<
  Engine,
  'liveFrame' | 'pageCss' | 'liveCss' | 'atWidth' | 'openable' | 'partsByOrder' | 'partAt' | 'stillFrame'
> {
  return {
    async liveFrame(versionId, touch = false) {
      const { page, session } = opened(versionId);
      return session.frame({ still: false, touch, ...files.assetsOf(page) });
    },

    async pageCss(versionId) {
      return `${files.fontCss}\n${files.localCss(dressed(versionId).css, opened(versionId).page)}`;
    },

    async liveCss(ref, look) {
      const session = sessionOf(ref);
      const { under, over } = lookedAmong(ref);
      const css = [under?.css, session.css(asWorn(ref, look)), over?.css].filter(Boolean).join('\n');
      return `${files.fontCss}\n${files.localCss(css, opened(ref.versionId).page)}`;
    },

    async atWidth(ref, told, viewport, place, alone) {
      const session = sessionOf(ref);
      const look = asWorn(ref, told);
      const request = { environment: environmentOf(viewport, place), place, unfolded: [] };
      return {
        frames: files.framesOf(session.frameRules(look, request, lookedAmong(ref, alone)), opened(ref.versionId).page),
        checks: session.sheet(look, request).checks,
      };
    },

    async openable(ref, viewport) {
      return sessionOf(ref).openable(environmentOf(viewport));
    },

    async partsByOrder(ref) {
      return sessionOf(ref).partsByOrder();
    },

    async partAt(ref, order) {
      const parts = sessionOf(ref).partsByOrder();
      let node: ElementNode | undefined = opened(ref.versionId).session.tree.elements[order];
      for (; node; node = node.parent) {
        const name = parts.get(node.order);
        if (name !== undefined) return name;
      }
      return undefined;
    },

    async stillFrame(ref, part, column, viewport, exceptions, place, view) {
      const { page, session } = opened(ref.versionId);
      const environment = environmentOf(viewport, place);
      const look = { ...EMPTY_LOOK, exceptions };
      const seen = sessionOf(ref).seenIn(part, column, { look, environment, place, open: view?.open });
      const html = session.frame({
        still: true,
        tree: seen.stage.tree,
        forced: seen.view.forced,
        pictures: view?.pictures,
        reducedMotion: environment.reducedMotion,
        touch: environment.touch,
        ...files.assetsOf(page, view?.pictures),
      });
      return { html, order: seen.element.order, forced: seen.view.forced.union };
    },
  };
}
