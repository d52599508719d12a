import { finish, handingOver, Site, type FontFile, type SiteHandover, type SitePageSource } from '@retoque/core';
import type { SiteLooks } from '@retoque/contract';
import { serveWork } from '../work/serve-work.js';

/** A site with what it wears, as far as its handover asks for it. */
export interface HandoverTask {
  readonly pages: readonly SitePageSource[];
  readonly worn: SiteLooks;
  /** Ids of the components whose looks go along; all when absent. */
  readonly chosen: readonly string[] | undefined;
  readonly fonts: readonly FontFile[];
}

/** Of one process. */
const MEGABYTES = 2000;

function handOver({ pages, worn, chosen, fonts }: HandoverTask): SiteHandover {
  const site = new Site({ bounds: worn.bounds });
  for (const page of pages) site.putPage(page);
  site.setPalette(worn.palette);
  site.setFinishes(worn.finishes);
  for (const look of worn.looks) site.wear(look);
  return finish(handingOver(site.only(new Set(chosen ?? worn.looks.map(({ id }) => id))), { fonts }));
}

serveWork({ handOver }, { megabytes: MEGABYTES });
