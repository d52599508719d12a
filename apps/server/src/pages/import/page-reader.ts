import { Injectable, type OnApplicationShutdown } from '@nestjs/common';
import { problem } from '../../http/problem.js';
import { OutOfBoundsError, WorkPool } from '../../work/work-pool.js';
import type { PageReader, ReadPage, ReadSheet } from './read-page.js';

const BOUNDS = {
  script: 'pages/import/read-task.js',
  processes: 2,
  queue: 500,
  millis: 30_000,
  heapMegabytes: 1024,
} as const;

/** Reads pages and sheets in processes that are ended when a text asks for too much. */
@Injectable()
export class PageReaderService implements PageReader, OnApplicationShutdown {
  private readonly pool = new WorkPool(BOUNDS);

  /** @throws ProblemException 422 for a page that takes too long to read */
  page(source: string, address: string): Promise<ReadPage | { readonly tooLarge: string }> {
    return this.read('page', source, address);
  }

  sheet(text: string, address: string): Promise<ReadSheet> {
    return this.read('sheet', text, address);
  }

  private async read<T>(method: string, text: string, address: string): Promise<T> {
    try {
      return await this.pool.run<T>(method, [text, address]);
    } catch (error) {
      if (!(error instanceof OutOfBoundsError)) throw error;
      throw problem('tooSlow', 422, 'That page asks for too much', `${address} could not be read: ${error.message}`);
    }
  }

  async onApplicationShutdown(): Promise<void> {
    await this.pool.stop();
  }
}
