import { Injectable, type OnApplicationShutdown } from '@nestjs/common';
import type { ComponentWaysRecord, PageCheck } from '@retoque/contract';
import { LRUCache } from 'lru-cache';
import { createHash } from 'node:crypto';
import { PixelFields } from '../assets/pixel-fields.js';
import { ComponentsService } from '../components/components.service.js';
import type { OwnerScope } from '../database/owner-scope.js';
import { problem } from '../http/problem.js';
import { PagesService } from '../pages/pages.service.js';
import { OutOfBoundsError, WorkPool } from '../work/work-pool.js';
import { GeometryService } from './geometry.service.js';
import type { LedgerTask } from './ledger-task.js';

export const LEDGER_BOUNDS = {
  script: 'measuring/ledger-task.js',
  processes: 2,
  queue: 16,
  millis: 60_000,
  heapMegabytes: 1024,
} as const;

/** Answers that are kept, by what they were worked out from. */
const KEPT = { characters: 64_000_000, answers: 200 };
/** Of compressed fields that go with one task; pictures past it are not measured, and said to be too costly. */
const MOST_PICTURE_BYTES = 64_000_000;

/** At which viewport, in CSS pixels, at which level of WCAG 2.2, and with the looks on the page or without. */
type Asked = Pick<LedgerTask, 'width' | 'height' | 'level' | 'looks'>;

/**
 * Checks of whole pages, worked out in processes of low priority. The same question at the same time is worked out
 * once, and its answer is kept by what it was worked out from.
 */
@Injectable()
export class LedgerService implements OnApplicationShutdown {
  private readonly pool = new WorkPool(LEDGER_BOUNDS);
  private readonly answers = new LRUCache<string, { readonly json: string }>({
    max: KEPT.answers,
    maxSize: KEPT.characters,
    sizeCalculation: ({ json }) => json.length + 1,
  });
  private readonly running = new Map<string, Running>();

  constructor(
    private readonly pages: PagesService,
    private readonly geometry: GeometryService,
    private readonly fields: PixelFields,
    private readonly components: ComponentsService,
  ) {}

  /**
   * @throws ProblemException 429 when too many are waiting, 422 when this page takes too long
   */
  check(scope: OwnerScope, pageId: string, asked: Asked, signal: AbortSignal): Promise<PageCheck[]> {
    return this.answer('checkPage', scope, pageId, asked, signal);
  }

  /**
   * @param each suggested fixes of each check by itself too
   * @throws ProblemException as for checks
   */
  ways(
    scope: OwnerScope,
    pageId: string,
    asked: Asked,
    each: boolean,
    signal: AbortSignal,
  ): Promise<ComponentWaysRecord[]> {
    return this.answer('findWays', scope, pageId, { ...asked, each }, signal);
  }

  private async answer<T>(
    method: string,
    scope: OwnerScope,
    pageId: string,
    asked: Asked & { readonly each?: boolean },
    signal: AbortSignal,
  ): Promise<T> {
    const given = await this.taskFor(scope, pageId);
    // Without looks the answer does not depend on them.
    const worn = asked.looks === 'worn' ? given.worn : { ...given.worn, looks: [] };
    const task = { ...given, worn, ...asked };
    const key = keyOf(method, task);
    const kept = this.answers.get(key);
    if (kept) return JSON.parse(kept.json) as T;
    let running = this.running.get(key);
    if (!running) {
      running = new Running((stop) => this.pool.run(method, [task], stop));
      this.running.set(key, running);
      running.done.then(
        (result) => this.answers.set(key, { json: JSON.stringify(result) }),
        () => undefined,
      );
      void running.done.catch(() => undefined).finally(() => this.running.delete(key));
    }
    try {
      return (await running.join(signal)) as T;
    } catch (error) {
      if (!(error instanceof OutOfBoundsError)) throw error;
      throw problem(
        'tooSlow',
        422,
        'The checks of that page ask for too much',
        error.bound === 'time'
          ? `They were not done after ${LEDGER_BOUNDS.millis / 1000} seconds. Look at one component at a time on the Style screen.`
          : 'They take more memory than one page may. Look at one component at a time on the Style screen.',
      );
    }
  }

  private async taskFor(scope: OwnerScope, pageId: string): Promise<Omit<LedgerTask, keyof Asked>> {
    const { version, siteId } = await this.pages.get(scope, pageId);
    const worn = await this.components.worn(scope, siteId);
    const pictures: LedgerTask['pictures'][number][] = [];
    let left = MOST_PICTURE_BYTES;
    for (const { address, hash, contentType, size } of version.assets) {
      if (!contentType.startsWith('image/')) continue;
      const field = await this.fields.get(scope, hash);
      if (!field) continue;
      const bytes = 'bytes' in field ? field.bytes : undefined;
      left -= bytes?.length ?? 0;
      const known = bytes && left >= 0 ? bytes : 'none' in field && field.none === 'broken' ? null : 'costly';
      pictures.push([address, known, size]);
    }
    const { html, address, sheets } = version;
    return { html, address, sheets, pageId, worn, geometry: await this.geometry.list(scope, pageId), pictures };
  }

  async onApplicationShutdown(): Promise<void> {
    await this.pool.stop();
  }
}

/** A digest of all that an answer depends on. */
function keyOf(method: string, { pictures, ...rest }: Omit<LedgerTask, keyof Asked>): string {
  const hash = createHash('sha256').update(method).update(JSON.stringify(rest));
  for (const [address, field, size] of pictures) {
    hash.update(JSON.stringify([address, size]));
    hash.update(typeof field === 'string' || field === null ? String(field) : field);
  }
  return hash.digest('hex');
}

/** Work that several wait for; it is stopped when none of them does any longer. */
class Running {
  private readonly stop = new AbortController();
  private waiting = 0;
  readonly done: Promise<unknown>;

  constructor(start: (stop: AbortSignal) => Promise<unknown>) {
    this.done = start(this.stop.signal);
  }

  async join(signal: AbortSignal): Promise<unknown> {
    this.waiting++;
    const gone = new Promise<never>((_, reject) => {
      signal.addEventListener('abort', () => reject(signal.reason as Error), { once: true });
      if (signal.aborted) reject(signal.reason as Error);
    });
    try {
      return await Promise.race([this.done, gone]);
    } finally {
      if (--this.waiting === 0) this.stop.abort(new Error('Nobody waits for it any longer.'));
    }
  }
}
