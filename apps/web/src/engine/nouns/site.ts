import { finishInTurns, handingOver } from '@retoque/core';
import { now, telling } from '../asking';
import type { Engine } from '../protocol';
import type { HeldPictures } from '../held-pictures';
import type { SiteFiles } from '../site-files';
import { parsedPages, siteOf, wear } from '../sites';

/** The site as a whole: what it wears, its files, and what is handed over. */
export function wholeSiteOf(files: SiteFiles, held: HeldPictures): Pick<Engine, 'wear' | 'useFiles' | 'handover'> {
  return {
    async wear(siteId, change) {
      wear(siteId, change);
    },

    async useFiles(own) {
      files.use(own);
      // What an owner brought is measured as what the page came with.
      await Promise.all(parsedPages().map(({ page, session }) => held.give(session.measures, files.picturesOn(page))));
    },

    async handover(siteId, versions, ids, onStep) {
      const site = siteOf(siteId);
      // In the order of the site, whichever was opened last.
      const pages = versions.flatMap((wanted) => site.pages.find(({ version }) => version === wanted) ?? []);
      const steps = handingOver(
        { ...site.only(new Set(ids)), pages },
        { fonts: files.fontsAt(({ address }) => address) },
      );
      return finishInTurns(steps, telling(onStep), now);
    },
  };
}
