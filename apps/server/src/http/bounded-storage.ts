import type { Request } from 'express';
import type { StorageEngine } from 'multer';
import { problem } from './problem.js';

/**
 * Keeps uploaded files in memory, and counts all of a request together as they stream: past the bound the rest is not
 * read, and what was read is let go.
 *
 * @param most bytes of all files of one request
 */
export function boundedStorage(most: number, tooLarge: string): StorageEngine {
  const taken = new WeakMap<Request, number>();
  return {
    _handleFile(request, file, done) {
      const chunks: Buffer[] = [];
      let isRefused = false;
      file.stream.on('data', (chunk: Buffer) => {
        if (isRefused) return;
        const sum = (taken.get(request) ?? 0) + chunk.length;
        taken.set(request, sum);
        if (sum > most) {
          isRefused = true;
          chunks.length = 0;
          done(problem('tooLarge', 413, 'Those files are too large', tooLarge));
        } else chunks.push(chunk);
      });
      file.stream.on('error', (error) => !isRefused && done(error));
      file.stream.on('end', () => {
        if (isRefused) return;
        const buffer = Buffer.concat(chunks);
        done(null, { buffer, size: buffer.length });
      });
    },
    _removeFile(_request, file, done) {
      delete (file as Partial<Express.Multer.File>).buffer;
      done(null);
    },
  };
}
