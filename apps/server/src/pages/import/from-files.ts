import { storable } from '../../database/storable.js';
import { problem } from '../../http/problem.js';
import { bringPage, type BroughtPage, type FileSource } from './bring.js';
import { LIMITS } from './limits.js';
import type { PageReader } from './read-page.js';

export interface UploadedFile {
  /** Its place in the chosen folder, or its bare name. */
  readonly path: string;
  readonly contentType: string | undefined;
  readonly bytes: Buffer;
}

/** Uploaded and pasted pages have no address of their own; this host can never exist (RFC 6761). */
export const INVENTED_ORIGIN = 'https://page.invalid/';

const fileNameOf = (path: string) => path.slice(path.lastIndexOf('/') + 1);
const addressOf = (path: string) => INVENTED_ORIGIN + path.split('/').map(encodeURIComponent).join('/');

function decoded(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
}

/** Finds files by their place, or else by a name that only one of them has: people upload files without folders. */
function uploadedSource(files: readonly UploadedFile[]): FileSource {
  const byPath = new Map(files.map((file) => [file.path, file]));
  return (address) => {
    const path = decoded(new URL(address).pathname.slice(1));
    const exact = address.startsWith(INVENTED_ORIGIN) ? byPath.get(path) : undefined;
    if (exact) return Promise.resolve(exact);
    const named = files.filter((file) => fileNameOf(file.path) === fileNameOf(path));
    return Promise.resolve(named.length === 1 ? named[0] : undefined);
  };
}

/**
 * Brings a page from uploaded files: one HTML file, and any of the sheets, pictures and fonts it asks for.
 *
 * @throws ProblemException when there is no HTML file, or several, or they are too large
 */
export async function fromUpload(files: readonly UploadedFile[], reader?: PageReader): Promise<BroughtPage> {
  const total = files.reduce((sum, file) => sum + file.bytes.length, 0);
  if (total > LIMITS.totalBytes) {
    throw problem('tooLarge', 413, 'Those files are too large', 'Together they have more than 20 MB.');
  }
  const pages = files.filter((file) => /\.x?html?$/i.test(file.path));
  const [page] = pages;
  if (!page) {
    throw problem(
      'notHtml',
      422,
      'There is no HTML page among those files',
      'Add the file of the page; its name ends in .html.',
    );
  }
  if (pages.length > 1) {
    throw problem(
      'invalid',
      422,
      'There are several HTML pages among those files',
      `Bring them one by one: ${pages.map((file) => fileNameOf(file.path)).join(', ')}.`,
    );
  }
  const brought = await bringPage(
    { bytes: page.bytes, contentType: 'text/html' },
    addressOf(page.path),
    uploadedSource(files),
    reader,
  );
  const others = files.filter((file) => file !== page);
  const used = [...brought.sheets, ...brought.assets]
    .filter(({ address }) => !address.startsWith('data:'))
    .map((file) => fileNameOf(decoded(new URL(file.address).pathname)));
  const unused = others.filter((file) => !used.includes(fileNameOf(file.path)));
  const note = `Not used, since the page does not ask for them: ${unused.map((file) => fileNameOf(file.path)).join(', ')}.`;
  return unused.length ? { ...brought, notes: [...brought.notes, storable(note)] } : brought;
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
