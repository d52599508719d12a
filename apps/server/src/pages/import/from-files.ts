import { storable } from '../../database/storable.js';
import { problem } from '../../http/problem.js';
import { bringPage, type BroughtPage, type FileSource } from './bring.js';
import { FileFinder } from './find-file.js';
import { LIMITS } from './limits.js';
import type { PageReader } from './read-page.js';
import { unpacked } from './unpack.js';
import { fileNameOf, type UploadedFile } from './uploaded-file.js';

/** Uploaded and pasted pages have no address of their own; this host can never exist (RFC 6761). */
export const INVENTED_ORIGIN = 'https://page.invalid/';

const addressOf = (path: string) => INVENTED_ORIGIN + path.split('/').map(encodeURIComponent).join('/');

function decoded(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
}

const pathOf = (address: string) => decoded(new URL(address).pathname.slice(1));

const sourceOf =
  (finder: FileFinder<UploadedFile>): FileSource =>
  (address) =>
    Promise.resolve(finder.find(pathOf(address), address.startsWith(INVENTED_ORIGIN)));

/** The page among several: the one that is named, or the front page that lies highest. */
function pageAmong(files: readonly UploadedFile[], wanted: string | undefined): UploadedFile {
  const pages = files.filter((file) => /\.x?html?$/i.test(file.path));
  if (!pages.length) {
    throw problem(
      'notHtml',
      422,
      'There is no HTML page among those files',
      'Add the file of the page; its name ends in .html.',
    );
  }
  const named = pages.find((file) => file.path === wanted);
  if (named) return named;
  if (pages.length === 1) return pages[0]!;
  const depth = ({ path }: UploadedFile) => path.split('/').length;
  const highest = Math.min(...pages.map(depth));
  const front = pages.filter((file) => depth(file) === highest && /^index\.x?html?$/i.test(fileNameOf(file.path)));
  if (front.length === 1 && wanted === undefined && pages.some((file) => file.path.includes('/'))) return front[0]!;
  throw problem(
    'invalid',
    422,
    'There are several HTML pages among those files',
    `Bring them one by one: ${pages.map((file) => file.path).join(', ')}.`,
  );
}

/**
 * Brings a page from uploaded files: one HTML page, and any of the sheets, pictures and fonts that it asks for; zip
 * archives count as the files that they hold.
 *
 * @param wanted the path of the page, where there are several
 * @throws ProblemException when there is no HTML page, or several, or they are too large
 */
export async function fromUpload(
  given: readonly UploadedFile[],
  reader?: PageReader,
  wanted?: string,
): Promise<BroughtPage> {
  const total = given.reduce((sum, file) => sum + file.bytes.length, 0);
  if (total > LIMITS.totalBytes) {
    throw problem('tooLarge', 413, 'Those files are too large', 'Together they have more than 20 MB.');
  }
  const files = await unpacked(given);
  const page = pageAmong(files, wanted);
  const bring = (finder: FileFinder<UploadedFile>) =>
    bringPage({ bytes: page.bytes, contentType: 'text/html' }, addressOf(page.path), sourceOf(finder), reader);
  let finder = new FileFinder(files);
  let brought = await bring(finder);
  if (finder.ambiguous.length) {
    // Now that all it asks for is known, what a bare name cannot tell apart is left out everywhere, not only where it
    // came second.
    finder = new FileFinder(files, finder.paths);
    brought = await bring(finder);
  }
  const notes = finder.ambiguous.map(
    ({ name, asked }) =>
      `The page asks for ${asked.length} files called ${name}: ${asked.join(', ')}. Which of them yours is cannot be told from its name; choose the folder, or a zip of it.`,
  );
  const used = [...brought.sheets, ...brought.assets]
    .filter(({ address }) => !address.startsWith('data:'))
    .map((file) => fileNameOf(pathOf(file.address)));
  const unused = files.filter((file) => file !== page && !used.includes(fileNameOf(file.path)));
  if (unused.length)
    notes.push(
      `Not used, since the page does not ask for them: ${unused.map((file) => fileNameOf(file.path)).join(', ')}.`,
    );
  return notes.length ? { ...brought, notes: [...brought.notes, ...notes.map(storable)] } : brought;
}

const PASTED_SHEET = `${INVENTED_ORIGIN}pasted.css`;

/** Brings a page from pasted text; the CSS comes after what the HTML holds itself. */
export function fromPaste(html: string, css: string, reader?: PageReader): Promise<BroughtPage> {
  const link = '<link rel="stylesheet" href="pasted.css">';
  const withSheet = css.trim() ? insertIntoHead(html, link) : html;
  const source: FileSource = (address) =>
    Promise.resolve(
      address === PASTED_SHEET ? { bytes: Buffer.from(css), contentType: 'text/css; charset=utf-8' } : undefined,
    );
  return bringPage(
    { bytes: Buffer.from(withSheet), contentType: 'text/html; charset=utf-8' },
    `${INVENTED_ORIGIN}pasted.html`,
    source,
    reader,
  );
}

/** Puts markup at the end of the head, or where a parser would begin one; never before the doctype. */
function insertIntoHead(html: string, markup: string): string {
  const end = html.search(/<\/head>/i);
  if (end >= 0) return html.slice(0, end) + markup + html.slice(end);
  for (const start of [/<head(?=[\s>])/i, /<html(?=[\s>])/i, /<!doctype/i]) {
    const at = html.search(start);
    // The tag ends at the first angle bracket behind its name; both are looked for once.
    const after = at < 0 ? -1 : html.indexOf('>', at);
    if (after >= 0) return html.slice(0, after + 1) + markup + html.slice(after + 1);
  }
  return markup + html;
}
