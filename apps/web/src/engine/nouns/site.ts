import { finishInTurns, handingOver } from '@retoque/core';
import { now } from '../asking';
import type { Engine } from '../protocol';
import type { SiteFiles } from '../site-files';
import { siteOf, wear } from '../sites';

/** The site as a whole: what it wears, its files, and what is handed over. */
export function wholeSiteOf(files: SiteFiles): Pick<Engine, 'wear' | 'useFiles' | 'handover'> {
  return {
    async wear(siteId, change) {
      wear(siteId, change);
    },

    async useFiles(own) {
      files.use(own);
    },

    async handover(siteId, versions, ids, onStep) {
      const site = siteOf(siteId);
      // In the order of the site, whichever was opened last.
      const pages = versions.flatMap((wanted) => site.pages.find(({ version }) => version === wanted) ?? []);
      const steps = handingOver(
        { ...site.only(new Set(ids)), pages },
        { fonts: files.fontsAt(({ address }) => address) },
      );
      return finishInTurns(steps, ({ done, of }) => Promise.resolve(onStep(done, of)), now);
    },
  };
}
