import { Injectable, type OnApplicationShutdown } from '@nestjs/common';
import { RefusedFileError } from '../storage/asset-limits.js';
import { OutOfBoundsError, WorkPool } from '../work/work-pool.js';
import type { Answer, Decoded } from './picture-task.js';
import type { ReadPicture } from './read-picture.js';
import type { MadePicture, Recoding } from './recode.js';

/** Bounds of work on one picture; beside them its process may take 900 MB and compute for 6 s. */
export const PICTURE_BOUNDS = {
  script: 'pictures/picture-task.js',
  processes: 2,
  queue: 2000,
  // As a busy machine may need for what takes a moment by itself.
  millis: 30_000,
  heapMegabytes: 512,
} as const;

const TOO_COSTLY = 'This picture takes too long or too much memory to draw. Make it simpler, and upload that.';

/** Reads, decodes and makes pictures in processes that are ended when a picture asks for too much. */
@Injectable()
export class PicturesService implements OnApplicationShutdown {
  private readonly pool = new WorkPool(PICTURE_BOUNDS);

  /** The decoded pixels; a picture past the bounds is said to be too costly, and never ends anything but its process. */
  async decode(bytes: Uint8Array): Promise<Decoded> {
    try {
      return await this.pool.run<Decoded>('decode', [bytes]);
    } catch (error) {
      if (error instanceof OutOfBoundsError) return { costly: error.bound };
      throw error;
    }
  }

  /** @throws RefusedFileError for what is no picture of the web, is broken, or asks for too much */
  read(bytes: Uint8Array): Promise<ReadPicture> {
    return this.answered('read', [bytes]);
  }

  /** @throws RefusedFileError when the crop lies outside the picture, or it cannot be decoded */
  recode(bytes: Uint8Array, wanted: Recoding): Promise<MadePicture> {
    return this.answered('recode', [bytes, wanted]);
  }

  private async answered<T>(method: string, params: readonly unknown[]): Promise<T> {
    let answer: Answer<T>;
    try {
      answer = await this.pool.run<Answer<T>>(method, params);
    } catch (error) {
      if (error instanceof OutOfBoundsError) throw new RefusedFileError(TOO_COSTLY);
      throw error;
    }
    if ('refused' in answer) throw new RefusedFileError(answer.refused);
    return answer.ok;
  }

  async onApplicationShutdown(): Promise<void> {
    await this.pool.stop();
  }
}
