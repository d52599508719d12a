import { Injectable, type OnApplicationShutdown } from '@nestjs/common';
import type { PageCheck } from '@retoque/contract';
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

/** Checks of whole pages, worked out in threads. */
@Injectable()
export class LedgerService implements OnApplicationShutdown {
  private pool: Piscina | undefined;

  constructor(
    private readonly pages: PagesService,
    private readonly geometry: GeometryService,
  ) {}

  async check(
    scope: OwnerScope,
    pageId: string,
    size: { readonly width: number; readonly height: number },
    level: 'AA' | 'AAA',
    signal: AbortSignal,
  ): Promise<PageCheck[]> {
    const { version } = await this.pages.get(scope, pageId);
    const pictures: LedgerTask['pictures'][number][] = [];
    for (const { address, hash, contentType, size } of version.assets) {
      if (!contentType.startsWith('image/')) continue;
      const field = await fieldOfAsset(scope, hash);
      if (field !== undefined) pictures.push([address, field, size]);
    }
    const { html, address, sheets } = version;
    const task: LedgerTask = {
      html,
      address,
      sheets,
      geometry: await this.geometry.list(scope, pageId),
      pictures,
      ...size,
      level,
    };
    this.pool ??= new Piscina({ filename: TASK, minThreads: 0, maxThreads: 1, idleTimeout: IDLE_MS });
    return (await this.pool.run(task, { signal })) as PageCheck[];
  }

  async onApplicationShutdown(): Promise<void> {
    await this.pool?.destroy();
  }
}
