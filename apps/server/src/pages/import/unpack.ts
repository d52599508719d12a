import { unzip, type Unzipped } from 'fflate';
import { problem } from '../../http/problem.js';
import { LIMITS } from './limits.js';
import type { UploadedFile } from './uploaded-file.js';

const isArchive = ({ path }: UploadedFile) => /\.zip$/i.test(path);

/** What systems put into archives and folders by themselves. */
const isLitter = (path: string) => /(^|\/)(__MACOSX\/|\.DS_Store$|Thumbs\.db$|desktop\.ini$)/i.test(path);

/**
 * The files with those in place of zip archives that these hold.
 *
 * @throws ProblemException for an archive that cannot be read, or that holds too much
 */
export async function unpacked(files: readonly UploadedFile[]): Promise<readonly UploadedFile[]> {
  const all: UploadedFile[] = [];
  for (const file of files) {
    if (!isArchive(file)) all.push(file);
    else all.push(...(await filesIn(file)));
  }
  const kept = all.filter(({ path }) => !isLitter(path));
  if (kept.length > LIMITS.files) {
    throw problem('tooLarge', 413, 'Those are too many files', `A page may come with ${LIMITS.files} files.`);
  }
  return kept;
}

async function filesIn(archive: UploadedFile): Promise<UploadedFile[]> {
  let [count, bytes] = [0, 0];
  const inside = await new Promise<Unzipped>((resolve, reject) => {
    unzip(
      archive.bytes,
      {
        // Sizes are told in front, so that nothing is made of what would be too much.
        filter: ({ name, originalSize }) => {
          if (name.endsWith('/') || isLitter(name)) return false;
          count++;
          bytes += originalSize;
          return count <= LIMITS.files && bytes <= LIMITS.totalBytes;
        },
      },
      (error, data) => (error ? reject(error) : resolve(data)),
    );
  }).catch(() => {
    throw problem(
      'invalid',
      422,
      'That archive cannot be read',
      `${archive.path} is no zip archive, or a broken one. Unpack it, and choose its folder.`,
    );
  });
  if (bytes > LIMITS.totalBytes) {
    throw problem('tooLarge', 413, 'That archive holds too much', 'Unpacked it has more than 20 MB.');
  }
  if (count > LIMITS.files) {
    throw problem('tooLarge', 413, 'That archive holds too many files', `A page may come with ${LIMITS.files} files.`);
  }
  return Object.entries(inside).map(([path, data]) => ({ path, contentType: undefined, bytes: Buffer.from(data) }));
}
