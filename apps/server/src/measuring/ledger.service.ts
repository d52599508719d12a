import { Injectable, type OnApplicationShutdown } from '@nestjs/common';
import type { ComponentWaysRecord, PageCheck } from '@retoque/contract';
import { fileURLToPath } from 'node:url';
import { Piscina } from 'piscina';
import { fieldOfAsset } from '../assets/pixel-fields.js';
import type { OwnerScope } from '../database/owner-scope.js';
import { PagesService } from '../pages/pages.service.js';
import { GeometryService } from './geometry.service.js';
import type { LedgerTask } from './ledger-task.js';

/** The compiled task, also where this file itself is run from its source. */
const TASK = fileURLToPath(new URL('../../dist/measuring/ledger-task.js', import.meta.url));
const IDLE_MS = 30_000;

/** At which viewport, in CSS pixels, and at which level of WCAG 2.2. */
type Asked = Pick<LedgerTask, 'width' | 'height' | 'level'>;

/** Checks of whole pages, worked out in threads. */
@Injectable()
export class LedgerService implements OnApplicationShutdown {
  private pool: Piscina | undefined;

  constructor(
    private readonly pages: PagesService,
    private readonly geometry: GeometryService,
  ) {}

  async check(scope: OwnerScope, pageId: string, asked: Asked, signal: AbortSignal): Promise<PageCheck[]> {
    const task = await this.taskFor(scope, pageId, asked);
    return (await this.threads.run(task, { name: 'checkPage', signal })) as PageCheck[];
  }

  /** @param each ways out of each check by itself too */
  async ways(
    scope: OwnerScope,
    pageId: string,
    asked: Asked,
    each: boolean,
    signal: AbortSignal,
  ): Promise<ComponentWaysRecord[]> {
    const task = { ...(await this.taskFor(scope, pageId, asked)), each };
    return (await this.threads.run(task, { name: 'findWays', signal })) as ComponentWaysRecord[];
  }

  private get threads(): Piscina {
    this.pool ??= new Piscina({ filename: TASK, minThreads: 0, maxThreads: 1, idleTimeout: IDLE_MS });
    return this.pool;
  }

  private async taskFor(scope: OwnerScope, pageId: string, asked: Asked): Promise<LedgerTask> {
    const { version } = await this.pages.get(scope, pageId);
    const pictures: LedgerTask['pictures'][number][] = [];
    for (const { address, hash, contentType, size } of version.assets) {
      if (!contentType.startsWith('image/')) continue;
      const field = await fieldOfAsset(scope, hash);
      if (field !== undefined) pictures.push([address, field, size]);
    }
    const { html, address, sheets } = version;
    return { html, address, sheets, geometry: await this.geometry.list(scope, pageId), pictures, ...asked };
  }

  async onApplicationShutdown(): Promise<void> {
    await this.pool?.destroy();
  }
}
