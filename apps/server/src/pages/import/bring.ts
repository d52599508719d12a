import { readData } from '@retoque/decode';
import { assetType } from '../../assets/asset-type.js';
import type { BroughtFile } from '../../assets/blob-store.js';
import type { RemovedParts } from '../../database/schema.js';
import { storable } from '../../database/storable.js';
import { problem } from '../../http/problem.js';
import { decodeCss, decodeHtml, isHtmlType, looksLikeHtml } from './decode.js';
import { LIMITS } from './limits.js';
import { READ_HERE, type PageReader } from './read-page.js';

/** A page with all it needs, read and cleaned, not stored yet. */
export interface BroughtPage {
  readonly address: string;
  readonly title: string;
  readonly html: string;
  readonly sheets: readonly { readonly address: string; readonly text: string }[];
  readonly assets: readonly BroughtFile[];
  readonly removed: RemovedParts;
  readonly notes: readonly string[];
}

export interface RawFile {
  readonly bytes: Buffer;
  readonly contentType: string | undefined;
}

/** Finds a file that a page asks for by absolute address; undefined when it is not to be had. */
export type FileSource = (address: string) => Promise<RawFile | undefined>;

const AT_ONCE = 6;

async function inBatches<T>(items: readonly T[], work: (item: T) => Promise<void>): Promise<void> {
  for (let i = 0; i < items.length; i += AT_ONCE) await Promise.all(items.slice(i, i + AT_ONCE).map(work));
}

/**
 * Reads a page: takes out what could run, then gathers the sheets, pictures and fonts that it and its sheets ask for.
 *
 * @throws ProblemException when it is no HTML, too large, or built by a script
 */
export async function bringPage(
  page: RawFile,
  address: string,
  source: FileSource,
  reader: PageReader = READ_HERE,
): Promise<BroughtPage> {
  if (!isHtmlType(page.contentType) || !looksLikeHtml(page.bytes)) {
    const type = page.contentType && !isHtmlType(page.contentType) ? ` It is ${page.contentType.split(';')[0]}.` : '';
    throw problem('notHtml', 422, 'That is not an HTML page', `Retoque needs a web page in HTML.${type}`);
  }
  if (page.bytes.length > LIMITS.htmlBytes) {
    throw problem('tooLarge', 413, 'That page is too large', 'The HTML alone has more than 5 MB.');
  }
  const read = await reader.page(decodeHtml(page.bytes, page.contentType), address);
  if ('tooLarge' in read) throw problem('tooLarge', 413, 'That page is too large', read.tooLarge);
  const { html, removed, wanted } = read;
  if (read.builtByScript) {
    throw problem(
      'builtByScript',
      422,
      'A script builds that page in the browser',
      'Its HTML holds next to nothing to restyle, and Retoque runs no scripts. Open the page in your browser, save it as a complete page, and upload what was saved.',
    );
  }
  const notes: string[] = [];
  const missing: string[] = [];
  const deep = [...read.deep];
  const assetAddresses = new Set(wanted.assets);
  const dataAddresses = new Set(wanted.data);
  const sheets = new Map<string, string>();

  let level = [...wanted.sheets];
  for (let depth = 0; level.length && depth <= LIMITS.importDepth; depth++) {
    const next = new Set<string>();
    await inBatches(level, async (sheetAddress) => {
      if (sheets.has(sheetAddress)) return;
      const file = sheets.size < LIMITS.files ? await source(sheetAddress) : undefined;
      if (!file) {
        missing.push(sheetAddress);
        return;
      }
      const text = decodeCss(file.bytes, file.contentType);
      sheets.set(sheetAddress, text);
      const { wanted: found, deep: tooDeep } = await reader.sheet(text, sheetAddress);
      deep.push(...tooDeep.map((place) => `${safeShortName(sheetAddress)}, ${place}`));
      found.sheets.forEach((item) => next.add(item));
      found.assets.forEach((item) => assetAddresses.add(item));
      found.data.forEach((item) => dataAddresses.add(item));
    });
    level = [...next].filter((item) => !sheets.has(item));
  }

  const assets: BroughtFile[] = [];
  const skipped: string[] = [];
  const inReach = [...assetAddresses].slice(0, LIMITS.files);
  await inBatches(inReach, async (assetAddress) => {
    const file = await source(assetAddress);
    if (!file) {
      missing.push(assetAddress);
      return;
    }
    const contentType = assetType(file.contentType, assetAddress);
    if (contentType) assets.push({ address: assetAddress, contentType, bytes: file.bytes });
    else skipped.push(assetAddress);
  });
  assets.push(...(await picturesIn([...dataAddresses].slice(0, LIMITS.files))));

  if (deep.length)
    notes.push(
      `Left out, here and in the figures, since it nests too deep or lists too much: ${deep.slice(0, MAX_LISTED).join('; ')}.`,
    );
  if (removed.scripts)
    notes.push(`${count(removed.scripts, 'script')} taken out; what a script adds to the page is not seen here.`);
  if (removed.frames) notes.push(`${count(removed.frames, 'embedded frame')} taken out.`);
  if (missing.length)
    notes.push(`${count(missing.length, 'file')} the page asks for could not be had: ${listed(missing)}.`);
  if (skipped.length)
    notes.push(`${count(skipped.length, 'file')} left out, being neither picture nor font: ${listed(skipped)}.`);
  if (assetAddresses.size > inReach.length)
    notes.push(`Only the first ${LIMITS.files} pictures and fonts were brought.`);
  // The order in which files arrive is chance; a version should not depend on it.
  assets.sort((a, b) => (a.address < b.address ? -1 : 1));
  const ordered = [...sheets].sort(([a], [b]) => (a < b ? -1 : 1)).map(([at, text]) => ({ address: at, text }));
  return {
    address,
    title: storable(read.title),
    html,
    sheets: ordered,
    assets,
    removed,
    // They quote addresses as their files give them.
    notes: notes.map(storable),
  };
}

/** Pictures that addresses hold themselves, so that these are decoded and measured as others are. */
async function picturesIn(addresses: readonly string[]): Promise<BroughtFile[]> {
  const found: BroughtFile[] = [];
  for (const address of addresses) {
    const file = address.length <= LIMITS.dataAddress ? await readData(address) : undefined;
    const contentType = file && assetType(file.contentType, '');
    if (contentType?.startsWith('image/')) found.push({ address, contentType, bytes: Buffer.from(file!.bytes) });
  }
  return found;
}

const count = (n: number, noun: string) => `${n} ${noun}${n === 1 ? '' : 's'}`;
const MAX_LISTED = 4;
const shortName = (address: string) => decodeURI(address.split('/').at(-1) || address);
const listed = (addresses: readonly string[]) =>
  addresses.slice(0, MAX_LISTED).map(safeShortName).join(', ') +
  (addresses.length > MAX_LISTED ? ` and ${addresses.length - MAX_LISTED} more` : '');
/** Characters of a name that are told; what is longer nobody reads, and it would push the page out of sight. */
const MAX_NAME = 100;

function safeShortName(address: string): string {
  const name = decoded(address);
  return name.length > MAX_NAME ? `${name.slice(0, MAX_NAME - 1)}…` : name;
}

function decoded(address: string): string {
  try {
    return shortName(address);
  } catch {
    return address;
  }
}
