import { Injectable, type OnApplicationShutdown } from '@nestjs/common';
import type { HandOver, SiteAsset } from '@retoque/contract';
import {
  behavioursNamed,
  cssFor,
  oneBlock,
  SCRIPT_NAME,
  SCRIPT_SOURCE_NAME,
  type SiteHandover,
  type SitePageSource,
} from '@retoque/core';
import { getBlob } from '../assets/blob-store.js';
import { SiteAssetsService } from '../assets/site-assets.service.js';
import { ComponentsService } from '../components/components.service.js';
import type { OwnerScope } from '../database/owner-scope.js';
import { problem } from '../http/problem.js';
import { PagesService } from '../pages/pages.service.js';
import { SitesService } from '../sites/sites.service.js';
import { OutOfBoundsError, WorkPool } from '../work/work-pool.js';
import type { HandoverTask } from './handover-task.js';
import { HOSTS, type Delivery, type HostFile } from './hosts/index.js';
import { readMe } from './read-me.js';
import { ScriptsService } from './scripts.service.js';

const BOUNDS = {
  script: 'handovers/handover-task.js',
  processes: 1,
  queue: 8,
  millis: 180_000,
  heapMegabytes: 1024,
} as const;

const bytesOf = (text: string) => new TextEncoder().encode(text);

/** The looks of a site as files, carried to where the site lives. */
@Injectable()
export class HandoversService implements OnApplicationShutdown {
  private readonly pool = new WorkPool(BOUNDS);

  constructor(
    private readonly sites: SitesService,
    private readonly pages: PagesService,
    private readonly components: ComponentsService,
    private readonly assets: SiteAssetsService,
    private readonly scripts: ScriptsService,
  ) {}

  /**
   * Works out the CSS of a site from what is stored, and hands it to a host.
   *
   * @throws ProblemException 422 where nothing is to be handed over, or where it takes too long; 429 when too many wait
   */
  async deliver(
    scope: OwnerScope,
    siteId: string,
    { host, components }: HandOver,
    signal: AbortSignal,
  ): Promise<Delivery> {
    const site = await this.sites.get(scope, siteId);
    const assets = await this.assets.list(scope, siteId);
    const task: HandoverTask = {
      pages: await this.pagesOf(
        scope,
        site.pages.map(({ id }) => id),
      ),
      worn: await this.components.worn(scope, siteId),
      chosen: components,
      fonts: assets.flatMap(({ font, address }) => (font ? [{ ...font, address }] : [])),
    };
    const handover = await this.workOut(task, signal);
    if (!handover.files.length && !handover.patches.length) {
      throw problem('invalid', 422, 'There is nothing to hand over', 'Set a value on the Style screen first.');
    }
    return HOSTS[host].deliver({ siteName: site.name, files: await this.filesOf(scope, site.name, handover, assets) });
  }

  private async pagesOf(scope: OwnerScope, ids: readonly string[]): Promise<SitePageSource[]> {
    const pages: SitePageSource[] = [];
    for (const id of ids) {
      const { name, version } = await this.pages.get(scope, id);
      const { edition, html, address, sheets, changes } = version;
      const applied = changes.filter((change) => change.applied);
      pages.push({ version: edition, pageId: id, name, changes: applied, source: { html, address, sheets } });
    }
    return pages;
  }

  private async workOut(task: HandoverTask, signal: AbortSignal): Promise<SiteHandover> {
    try {
      return await this.pool.run<SiteHandover>('handOver', [task], signal);
    } catch (error) {
      if (!(error instanceof OutOfBoundsError)) throw error;
      throw problem(
        'tooSlow',
        422,
        'The handover of that site asks for too much',
        error.bound === 'time'
          ? `It was not done after ${BOUNDS.millis / 1000} seconds. Hand over fewer components at a time.`
          : 'It takes more memory than one handover may. Hand over fewer components at a time.',
      );
    }
  }

  private async filesOf(
    scope: OwnerScope,
    siteName: string,
    handover: SiteHandover,
    assets: readonly SiteAsset[],
  ): Promise<HostFile[]> {
    const named = assets.filter(({ address }) => handover.files.some(({ text }) => text.includes(address)));
    const files: HostFile[] = handover.files.map(({ path, text }) => ({ path, bytes: bytesOf(text) }));
    const paths: string[] = [];
    for (const { address, hash } of named) {
      const blob = await getBlob(scope, hash);
      const path = address.replace(/^\/+/, '');
      if (!blob) continue;
      files.push({ path, bytes: blob.bytes });
      paths.push(path);
    }
    for (const [i, { page, change }] of handover.patches.entries()) {
      files.push({ path: `html/${i + 1}.html`, bytes: bytesOf(change.html) });
      const names = behavioursNamed(change.html);
      if (!names.length) continue;
      const { minified } = await this.scripts.of(names);
      const block = oneBlock(change.html, cssFor(handover.files, page.pageId), minified);
      files.push({ path: `html/${i + 1}-block.html`, bytes: bytesOf(block) });
    }
    if (handover.behaviours.length) {
      const { minified, source } = await this.scripts.of(handover.behaviours);
      files.push({ path: SCRIPT_NAME, bytes: bytesOf(minified) });
      files.push({ path: SCRIPT_SOURCE_NAME, bytes: bytesOf(source) });
    }
    return [{ path: 'read-me.txt', bytes: bytesOf(readMe(handover, siteName, paths)) }, ...files];
  }

  async onApplicationShutdown(): Promise<void> {
    await this.pool.stop();
  }
}
